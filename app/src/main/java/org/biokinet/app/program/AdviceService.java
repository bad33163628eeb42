package org.biokinet.app.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.advice.Warning;
import org.biokinet.core.advice.Warnings;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.progress.Forecast;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.timeline.Cues;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a practitioner should know before a draft is shared, with what would put it right. */
@Service
public class AdviceService {

  private final SettingsService settings;
  private final LibraryService library;
  private final ScreeningService screenings;
  private final SuggestionService suggestions;

  AdviceService(
      SettingsService settings,
      LibraryService library,
      ScreeningService screenings,
      SuggestionService suggestions) {
    this.settings = settings;
    this.library = library;
    this.screenings = screenings;
    this.suggestions = suggestions;
  }

  /** What the draft itself says; asked with every key, so without what was found by measuring. */
  @Transactional(readOnly = true)
  public List<Warning> of(DraftService.State state, Gate gate) {
    return of(
        state,
        state.draft(),
        gate,
        state.shared().map(r -> Ledger.of(Timeline.compile(r.program()))));
  }

  /**
   * The same of a week to come, as it is foreseen.
   *
   * @param before stretch of the week before
   */
  @Transactional(readOnly = true)
  public List<Warning> of(DraftService.State state, Forecast.Week week, Optional<Ledger> before) {
    List<DraftItem> items = new ArrayList<>();
    for (DraftItem row : state.draft().items()) {
      if (week.states().get(row.key()) instanceof Forecast.State.Done done) {
        String dose = DoseNotation.format(done.item().dose());
        items.add(row.withDose(dose).withWeeks(Weeks.USUAL));
      }
    }
    Gate gate = screenings.gate(state.client());
    return of(state, state.draft().withItems(items), gate, before);
  }

  private List<Warning> of(
      DraftService.State state, Draft draft, Gate gate, Optional<Ledger> before) {
    Client client = state.client();
    SettingsService.Chosen chosen = settings.of(client.practice());
    Library mine = library.of(client.practice());
    return Warnings.of(
        new Warnings.Given(
            draft,
            state.program(),
            d ->
                DraftTimeline.of(
                    d, client.breathSeconds(), chosen.pacing(), mine.catalogue(), state.today()),
            Allowed.of(gate, client.means(), client.breathSeconds()),
            state.inForce().before(state.program()),
            CourseService.beside(state),
            before,
            minutes(state),
            chosen.band(),
            new Cues(mine.catalogue(), Library.LANGUAGE)));
  }

  private static OptionalInt minutes(DraftService.State state) {
    return state.program() == ProgramKind.DESK
        ? OptionalInt.of(state.program().mostMinutes())
        : state.client().circumstances().minutes();
  }

  /** All of it, with the findings that nothing serves. */
  @Transactional(readOnly = true)
  public List<Warning> all(DraftService.State state) {
    return Stream.concat(
            of(state, screenings.gate(state.client())).stream(),
            suggestions.unserved(state).stream())
        .toList();
  }

  /** The edit of a fix that was offered; empty where it does not fit the draft any more. */
  @Transactional(readOnly = true)
  public Optional<DraftEdit> fix(DraftService.State state, Warning.Kind kind, String words) {
    List<Warning> now =
        kind == Warning.Kind.FINDING
            ? suggestions.unserved(state)
            : of(state, screenings.gate(state.client()));
    return now.stream()
        .filter(w -> w.kind() == kind)
        .flatMap(w -> w.fixes().stream())
        .filter(f -> f.words().equals(words))
        .map(Warning.Fix::edit)
        .findFirst();
  }
}
