package org.biokinet.app.session.web;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.teaching.TeachingService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.ProgramKind;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * An exercise of one's own program to learn outside of a session: both sides, at one's own pace.
 */
@Controller
class LearnController {

  /**
   * An exercise on one side.
   *
   * @param side empty for an exercise without sides
   * @param steps from getting ready to the way out
   * @param faults what goes wrong most and its mend; what was seen in this client is marked
   * @param moving a figure, or empty
   * @param still the same at the end of the movement, for whoever wants no motion
   */
  record Way(
      Optional<Side> side,
      String move,
      List<String> steps,
      List<Fault> faults,
      String moving,
      String still) {}

  /**
   * @param own whether it was seen in this client
   */
  record Fault(String words, boolean own) {}

  private final VersionService versions;
  private final ClientService clients;
  private final PracticeService practices;
  private final ScreeningService screenings;
  private final PermitService permits;
  private final TeachingService teaching;

  LearnController(
      VersionService versions,
      ClientService clients,
      PracticeService practices,
      ScreeningService screenings,
      PermitService permits,
      TeachingService teaching) {
    this.versions = versions;
    this.clients = clients;
    this.practices = practices;
    this.screenings = screenings;
    this.permits = permits;
    this.teaching = teaching;
  }

  /** What may not be done now is not shown either. */
  @GetMapping("/me/exercises/{place}")
  String page(
      @AuthenticationPrincipal ClientMe me,
      @PathVariable int place,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      Model model) {
    Client client = clients.byId(me.id());
    Map<ProgramKind, Permitted> all =
        permits.all(client, screenings.gate(client), versions.inForce(client));
    Optional<Permitted> now =
        Optional.ofNullable(all.get(program))
            .filter(n -> !n.permit().nothing())
            .filter(n -> place >= 0 && place < n.replay().program().items().size())
            .filter(n -> !n.permit().waiting().contains(place));
    if (now.isEmpty()) return "redirect:/me/today";
    VersionService.Replay replay = now.get().replay();
    Item item = replay.program().items().get(place);
    Exercise e = item.exercise();
    ExerciseWords entry = replay.catalogue().words(e, me.language());
    Set<String> seen = teaching.usual(me.id()).getOrDefault(e.id(), Set.of());
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("name", entry.name());
    model.addAttribute("why", entry.why());
    model.addAttribute(
        "dose", new DoseWords(e.doseContext(), me.language()).of(now.get().dose(item)));
    model.addAttribute(
        "ways", sides(item).map(side -> way(item, side, entry, seen, me.language())).toList());
    return "session/learn";
  }

  private static Stream<Optional<Side>> sides(Item item) {
    return item.exercise().sided()
        ? Stream.of(Side.values()).filter(s -> item.dose().on(s).isPresent()).map(Optional::of)
        : Stream.of(Optional.empty());
  }

  private static Way way(
      Item item, Optional<Side> side, ExerciseWords entry, Set<String> seen, Locale language) {
    Exercise e = item.exercise();
    ExerciseWords words =
        entry.on(e, side, e.doseContext().directions().stream().findFirst(), language);
    SideDose dose = item.dose().on(side.orElse(Side.LEFT)).orElseThrow();
    String contract = dose.work() instanceof Work.ContractRelax ? words.contract() : "";
    Optional<Figure> figure = Figure.of(e, side.orElse(Side.RIGHT));
    List<ExerciseWords.Fault> own = words.seen(entry, seen);
    List<Fault> faults =
        words.faults().stream().map(f -> new Fault(f.printed(language), own.contains(f))).toList();
    return new Way(
        side,
        words.move(),
        Stream.of(
                words.setup(),
                words.move() + ".",
                words.how(),
                contract,
                words.feel(),
                words.not(),
                words.out())
            .flatMap(t -> ExerciseWords.sentences(t, language).stream())
            .toList(),
        faults,
        figure.map(f -> f.moving(f.bestView(), entry.name())).orElse(""),
        figure.map(f -> f.still(f.bestView(), entry.name())).orElse(""));
  }
}
