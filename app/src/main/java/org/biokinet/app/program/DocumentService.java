package org.biokinet.app.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.Fault;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Permit;
import org.biokinet.core.timeline.DraftTimeline;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A draft as a program document, and a document as a draft. */
@Service
public class DocumentService {

  /** Characters; the longest program that can be written has a tenth of that. */
  public static final int LONGEST = 200_000;

  private final LibraryService library;
  private final SettingsService settings;
  private final ScreeningService screenings;

  DocumentService(LibraryService library, SettingsService settings, ScreeningService screenings) {
    this.library = library;
    this.settings = settings;
    this.screenings = screenings;
  }

  /** What comes of asking for a document. */
  public sealed interface Exported {
    record Document(String json) implements Exported {}

    record Not(String why) implements Exported {}
  }

  /** What comes of reading one. */
  public sealed interface Imported {

    /**
     * All of it can be taken.
     *
     * @param left what of the document is not taken, in words
     */
    record Ready(DraftEdit edit, List<String> left) implements Imported {
      public Ready {
        left = List.copyOf(left);
      }
    }

    /** Nothing of it is taken; every fault, in the order of the document. */
    record Bad(List<String> faults) implements Imported {
      public Bad {
        faults = List.copyOf(faults);
      }
    }
  }

  /** What is done now, as it is written. */
  @Transactional(readOnly = true)
  public Exported export(DraftService.State state) {
    Client client = state.client();
    DraftTimeline timed =
        DraftTimeline.of(
            state.draft(),
            client.breathSeconds(),
            settings.of(client.practice()).pacing(),
            library.of(client.practice()).catalogue(),
            state.today());
    return timed
        .problem()
        .<Exported>map(Exported.Not::new)
        .orElseGet(
            () ->
                new Exported.Document(
                    ProgramDocument.write(timed.timeline().orElseThrow().program())));
  }

  /** The edit that makes a document the draft, or all that is wrong with it. */
  @Transactional(readOnly = true)
  public Imported read(DraftService.State state, String text) {
    if (text.isBlank()) return new Imported.Bad(List.of("there is nothing to read"));
    if (text.length() > LONGEST) {
      return new Imported.Bad(List.of("a document has at most %d characters".formatted(LONGEST)));
    }
    Library mine = library.of(state.client().practice());
    Catalogue catalogue = mine.catalogue();
    ProgramDocument.Reading reading = ProgramDocument.read(text, catalogue);
    if (reading instanceof ProgramDocument.Reading.Bad bad) {
      return new Imported.Bad(bad.faults().stream().map(DocumentService::words).toList());
    }
    Program program = ((ProgramDocument.Reading.Ok) reading).program();
    List<String> against = against(state, program, mine);
    if (!against.isEmpty()) return new Imported.Bad(against);
    Draft now = state.draft();
    Draft then =
        new Draft(
            program.title(),
            program.lead(),
            now.note(),
            program.items().stream().map(DocumentService::row).toList(),
            now.course(),
            now.days(),
            now.breath());
    return new Imported.Ready(new DraftEdit.Replace(then), left(state, program));
  }

  private static String words(Fault fault) {
    return fault.item().isPresent()
        ? "item %d: %s".formatted(fault.item().getAsInt(), fault.message())
        : fault.message();
  }

  /** What this client may not do, and what the practice has taken out of use. */
  private List<String> against(DraftService.State state, Program program, Library mine) {
    Permit permit =
        Permit.of(
            state.program(),
            program,
            state.inForce().before(state.program()),
            state.client().means(),
            screenings.gate(state.client()),
            mine.catalogue());
    List<String> against = new ArrayList<>();
    for (int i = 0; i < program.items().size(); i++) {
      Item item = program.items().get(i);
      String name = "item %d: %s".formatted(i + 1, mine.name(item.exercise()));
      Allowed.Objection objection = permit.objections().get(i);
      if (objection != null && objection.limit() == Allowed.Limit.LOCKED) {
        against.add("%s, %s".formatted(name, objection.words()));
      }
      if (mine.catalogue().isRetired(item.exercise())) {
        against.add(name + " is retired by the practice");
      }
      state
          .program()
          .against(item.exercise(), item.position())
          .ifPresent(why -> against.add("%s: %s".formatted(name, why)));
    }
    return against;
  }

  static DraftItem row(Item item) {
    return new DraftItem(
        UUID.randomUUID().toString(),
        item.exercise().id(),
        DoseNotation.format(item.dose()),
        Optional.of(item.position()),
        item.order(),
        item.lead(),
        Optional.of(item.priority()),
        Optional.empty(),
        item.target().map(DoseNotation::format),
        Optional.empty());
  }

  private List<String> left(DraftService.State state, Program program) {
    List<String> left = new ArrayList<>();
    Pacing pacing = settings.of(state.client().practice()).pacing();
    if (program.breathSeconds() != state.client().breathSeconds()) {
      left.add("one breath stays that of this client");
    }
    if (!program.pacing().equals(pacing)) left.add("the pacing stays that of the practice");
    return left;
  }
}
