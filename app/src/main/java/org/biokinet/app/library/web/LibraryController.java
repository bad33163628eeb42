package org.biokinet.app.library.web;

import java.time.Clock;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.exercise.Precaution;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.search.Alternatives;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The library: find an exercise, read it on both sides, find what to do instead. */
@Controller
@RequestMapping("/library")
class LibraryController {

  /**
   * One line of the list.
   *
   * @param target the first one; {@code others} stand behind it
   */
  record Hit(
      String id,
      String group,
      String name,
      String target,
      String others,
      String start,
      String end,
      String places,
      boolean sided,
      boolean own) {}

  /** One choice for a client who cannot do it as it is. */
  record Instead(String id, String name, String position, String lost) {}

  private static final int PAGE = 40;
  private static final int MOST_INSTEAD = 6;
  private static final int MOST_HITS = 8;

  private final LibraryService library;
  private final Clock clock;

  LibraryController(LibraryService library, Clock clock) {
    this.library = library;
    this.clock = clock;
  }

  /** The list: the whole page, or only what was found while somebody types. */
  @GetMapping
  String list(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(defaultValue = "") String group,
      @RequestParam(defaultValue = "") String target,
      @RequestParam(defaultValue = "") String position,
      @RequestParam(defaultValue = "") String equipment,
      @RequestParam(defaultValue = "") String without,
      @RequestParam(defaultValue = "") String show,
      @RequestParam(defaultValue = "" + PAGE) int most,
      @RequestHeader(name = "HX-Request", defaultValue = "false") boolean fragment,
      Model model) {
    Library mine = library.of(me.practiceId());
    Filter filter = new Filter(q.strip(), group, target, position, equipment, without, show);
    List<Exercise> found =
        mine.search().find(filter.q()).stream()
            .filter(e -> filter.allows(e, mine.catalogue()))
            .toList();
    model.addAttribute("filter", filter);
    model.addAttribute("found", found.size());
    int shown = Math.max(PAGE, Math.min(most, found.size()));
    model.addAttribute("hits", found.stream().limit(shown).map(e -> hit(mine, e)).toList());
    model.addAttribute("more", shown + PAGE);
    model.addAttribute("ruledOut", mine.search().understood(filter.q()).ruledOut());
    if (fragment) return "library/list :: found";
    model.addAttribute("total", mine.catalogue().offered().size());
    model.addAttribute("drafts", library.drafts(me));
    model.addAttribute("groups", Group.values());
    model.addAttribute("targets", targets(mine.catalogue()));
    model.addAttribute("positions", Position.values());
    model.addAttribute("equipments", Equipment.values());
    model.addAttribute("precautions", Precaution.values());
    return "library/list";
  }

  private static Hit hit(Library mine, Exercise e) {
    return new Hit(
        e.id(),
        e.group().label(),
        mine.name(e),
        e.targets().get(0).label(),
        e.targets().stream().skip(1).map(Tissue::label).collect(Collectors.joining(", ")),
        DoseNotation.format(e.start()),
        DoseNotation.format(e.target()),
        e.positions().stream()
            .map(p -> p.code().replace('-', ' '))
            .collect(Collectors.joining(", ")),
        e.sided(),
        mine.catalogue().revision(e) > 0);
  }

  /** Those that some exercise is for, by name. */
  private static List<Tissue> targets(Catalogue catalogue) {
    return catalogue.all().stream()
        .flatMap(e -> e.targets().stream())
        .distinct()
        .sorted((a, b) -> a.label().compareTo(b.label()))
        .toList();
  }

  @GetMapping("/{code}")
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable String code,
      @RequestParam(name = "as", defaultValue = "") Set<String> can,
      @RequestParam(defaultValue = "") Set<String> has,
      @RequestHeader(name = "HX-Request", defaultValue = "false") boolean fragment,
      Model model) {
    Library mine = library.of(me.practiceId());
    Exercise e = mine.catalogue().find(code).orElseThrow(NotFound::new);
    Set<Position> positions = chosen(Position.class, can);
    if (positions.isEmpty()) positions = EnumSet.of(Position.CHAIR, Position.STAND);
    Set<Equipment> equipment = chosen(Equipment.class, has);
    model.addAttribute("entry", EntryView.of(mine.catalogue(), e, Library.LANGUAGE));
    model.addAttribute("can", positions);
    model.addAttribute("has", equipment);
    model.addAttribute("instead", instead(mine, e, new Means(positions, equipment)));
    if (fragment) return "library/entry :: instead";
    drawn(mine, e, Optional.empty(), model);
    model.addAttribute("positions", Position.values());
    model.addAttribute("equipments", Equipment.values());
    model.addAttribute("ships", library.ships(code));
    model.addAttribute(
        "revisions",
        library.revisions(me, code).stream().map(r -> past(r, ZoneId.of(me.zone()))).toList());
    return "library/entry";
  }

  /** The same pictures from somewhere else. */
  @GetMapping("/{code}/figure")
  String figure(
      @AuthenticationPrincipal Me me,
      @PathVariable String code,
      @RequestParam(required = false) Optional<View> view,
      Model model) {
    Library mine = library.of(me.practiceId());
    Exercise e = mine.catalogue().find(code).orElseThrow(NotFound::new);
    model.addAttribute("entry", EntryView.of(mine.catalogue(), e, Library.LANGUAGE));
    drawn(mine, e, view, model);
    return "library/parts :: figure";
  }

  private static void drawn(Library mine, Exercise e, Optional<View> view, Model model) {
    Drawn.of(e, mine.name(e), view).ifPresent(d -> model.addAttribute("drawn", d));
  }

  /** A small picture for lists; the same until the software changes. */
  @GetMapping("/{code}/still.svg")
  ResponseEntity<String> still(@AuthenticationPrincipal Me me, @PathVariable String code) {
    Exercise e = library.of(me.practiceId()).catalogue().find(code).orElseThrow(NotFound::new);
    Figure figure = Figure.of(e, Side.RIGHT).orElseThrow(NotFound::new);
    return ResponseEntity.ok()
        .contentType(MediaType.valueOf("image/svg+xml"))
        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
        .body(figure.still(figure.bestView(), ""));
  }

  private static <T extends Enum<T> & Coded> Set<T> chosen(Class<T> type, Set<String> codes) {
    Set<T> chosen = EnumSet.noneOf(type);
    Arrays.stream(type.getEnumConstants())
        .filter(v -> codes.contains(v.code()))
        .forEach(chosen::add);
    return chosen;
  }

  private static List<Instead> instead(Library mine, Exercise e, Means means) {
    return new Alternatives(mine.catalogue(), Library.LANGUAGE)
        .of(e, means).stream()
            .limit(MOST_INSTEAD)
            .map(
                a ->
                    new Instead(
                        a.exercise().id(),
                        mine.name(a.exercise()),
                        a.position().label(),
                        String.join("; ", a.lost())))
            .toList();
  }

  record Past(int number, String when, String by, String what, boolean written) {}

  private Past past(LibraryService.Revision r, ZoneId zone) {
    return new Past(
        r.number(),
        Days.when(r.at(), clock.instant(), zone),
        r.by(),
        r.what(),
        r.entry().isPresent());
  }

  /** What to compare with, while somebody types. */
  @GetMapping("/{code}/others")
  String others(
      @AuthenticationPrincipal Me me,
      @PathVariable String code,
      @RequestParam(defaultValue = "") String q,
      Model model) {
    Library mine = library.of(me.practiceId());
    List<Exercise> hits =
        mine.search().find(q).stream().filter(e -> !e.id().equals(code)).limit(MOST_HITS).toList();
    model.addAttribute("code", code);
    model.addAttribute("q", q.strip());
    model.addAttribute("hits", hits);
    model.addAttribute("mine", mine);
    return "library/parts :: others";
  }

  @GetMapping("/compare")
  String compare(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String a,
      @RequestParam(defaultValue = "") String b,
      Model model) {
    Catalogue catalogue = library.of(me.practiceId()).catalogue();
    List<EntryView> both =
        List.of(a, b).stream()
            .map(code -> catalogue.find(code).orElseThrow(NotFound::new))
            .map(e -> EntryView.of(catalogue, e, Library.LANGUAGE))
            .toList();
    model.addAttribute("both", both);
    model.addAttribute("rows", rows(both));
    return "library/compare";
  }

  /** One part of the words in both; empty where an entry has none. */
  record Row(String label, List<List<EntryView.Aspect>> cells) {}

  private static List<Row> rows(List<EntryView> both) {
    return both.stream()
        .flatMap(v -> v.lines().stream())
        .map(EntryView.Aspect::label)
        .distinct()
        .map(
            label ->
                new Row(
                    label,
                    both.stream()
                        .map(v -> v.lines().stream().filter(l -> l.label().equals(label)).toList())
                        .toList()))
        .toList();
  }
}
