package org.biokinet.app.library.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Sidedness;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.exercise.Precaution;
import org.biokinet.core.exercise.WordsCheck;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Writing the practice's own exercises: new ones, copies, other words for shipped ones. */
@Controller
@RequestMapping("/library")
class OwnExerciseController {

  /** A word of the palette and what becomes of it on each side. */
  record Placeholder(String code, String meaning, String left, String right) {}

  private final LibraryService library;
  private final Clock clock;

  OwnExerciseController(LibraryService library, Clock clock) {
    this.library = library;
    this.clock = clock;
  }

  @GetMapping("/new")
  String blank(@AuthenticationPrincipal Me me, Model model) {
    return show(me, EntryForm.blank(), model);
  }

  @GetMapping("/{code}/copy")
  String copy(@AuthenticationPrincipal Me me, @PathVariable String code, Model model) {
    return show(me, EntryForm.of(library.entry(me, code).copied(), 0), model);
  }

  /**
   * @param from an older revision to begin with, instead of the one in force
   */
  @GetMapping("/{code}/edit")
  String edit(
      @AuthenticationPrincipal Me me,
      @PathVariable String code,
      @RequestParam(required = false) Optional<Integer> from,
      Model model) {
    OwnExercise now = library.entry(me, code);
    List<LibraryService.Revision> revisions = library.revisions(me, code);
    Optional<OwnExercise> older =
        from.map(
            n ->
                revisions.stream()
                    .filter(r -> r.number() == n)
                    .findFirst()
                    .flatMap(LibraryService.Revision::entry)
                    .orElseThrow(NotFound::new));
    model.addAttribute("from", from.orElse(null));
    model.addAttribute("replaces", library.ships(code) && older.or(() -> own(revisions)).isEmpty());
    return show(me, EntryForm.of(older.orElse(now), newest(revisions)), model);
  }

  private static Optional<OwnExercise> own(List<LibraryService.Revision> newestFirst) {
    return newestFirst.stream().findFirst().flatMap(LibraryService.Revision::entry);
  }

  private static int newest(List<LibraryService.Revision> newestFirst) {
    return newestFirst.isEmpty() ? 0 : newestFirst.get(0).number();
  }

  @GetMapping("/drafts/{id}")
  String draft(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    LibraryService.Draft draft = library.draft(me, id);
    EntryForm form = EntryForm.of(draft.entry(), draft.base()).from(draft.id());
    library.revisions(me, draft.code()).stream()
        .findFirst()
        .filter(r -> r.number() != draft.base())
        .ifPresent(r -> overtaken(me, form, r, model));
    return show(me, form, model);
  }

  /** What it becomes on both sides, and what is wrong, while somebody types. */
  @PostMapping("/preview")
  String preview(
      @AuthenticationPrincipal Me me,
      @RequestParam MultiValueMap<String, String> sent,
      Model model) {
    EntryForm form = EntryForm.read(sent);
    // What is not written yet is not wrong yet.
    List<WordsCheck.Problem> soFar =
        library.check(me, form.typed()).stream()
            .filter(p -> !form.value(p.field()).isEmpty())
            .toList();
    preview(form, model);
    PoseEditor.of(form, sent).ifPresent(poses -> model.addAttribute("poses", poses));
    model.addAttribute("form", form.with(soFar));
    return "library/form-parts :: live";
  }

  /** Another pose to set, one more, one less, or no picture of one's own any more. */
  @PostMapping("/poses")
  String poses(
      @RequestParam MultiValueMap<String, String> sent,
      @RequestParam PoseEditor.Change change,
      Model model) {
    EntryForm form = PoseEditor.changed(EntryForm.read(sent), sent, change);
    model.addAttribute("form", form);
    posing(form, change.place(sent), model);
    return "library/form-parts :: poses";
  }

  @PostMapping("/save")
  String save(
      @AuthenticationPrincipal Me me,
      @RequestParam MultiValueMap<String, String> sent,
      Model model,
      HttpServletResponse response) {
    EntryForm form = EntryForm.read(sent);
    LibraryService.Outcome outcome = library.save(me, form.typed(), form.base());
    if (outcome instanceof LibraryService.Outcome.Saved saved) {
      form.draft().ifPresent(id -> library.drop(me, id));
      return "redirect:/library/" + saved.code() + "?saved";
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    if (outcome instanceof LibraryService.Outcome.Overtaken overtaken) {
      overtaken(me, form, overtaken.theirs(), model);
      // Saving once more is then a decision.
      return show(me, form.on(overtaken.theirs().number()), model);
    }
    return show(me, form.with(((LibraryService.Outcome.Wrong) outcome).problems()), model);
  }

  @PostMapping("/keep")
  String keep(@AuthenticationPrincipal Me me, @RequestParam MultiValueMap<String, String> sent) {
    EntryForm form = EntryForm.read(sent);
    UUID id = library.keep(me, form.draft(), form.typed(), form.base());
    return "redirect:/library/drafts/" + id + "?kept";
  }

  @PostMapping("/drafts/{id}/drop")
  String drop(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    library.drop(me, id);
    return "redirect:/library";
  }

  @PostMapping("/{code}/retire")
  String retire(
      @AuthenticationPrincipal Me me,
      @PathVariable String code,
      @RequestParam boolean retired,
      @RequestParam int base) {
    return back(code, library.retire(me, code, retired, base));
  }

  @PostMapping("/{code}/shipped")
  String shipped(
      @AuthenticationPrincipal Me me, @PathVariable String code, @RequestParam int base) {
    return back(code, library.backToShipped(me, code, base));
  }

  private static String back(String code, LibraryService.Outcome outcome) {
    String said =
        outcome instanceof LibraryService.Outcome.Saved
            ? "?saved"
            : outcome instanceof LibraryService.Outcome.Overtaken ? "?overtaken" : "?refused";
    return "redirect:/library/" + code + said;
  }

  /** Where the other's words differ from mine. */
  record Theirs(String key, String text) {}

  private void overtaken(Me me, EntryForm form, LibraryService.Revision theirs, Model model) {
    OwnExercise other = theirs.entry().orElseGet(() -> library.entry(me, form.code()));
    EntryForm asForm = EntryForm.of(other, theirs.number());
    model.addAttribute("overtakenBy", theirs.by());
    model.addAttribute(
        "overtakenAt", Days.when(theirs.at(), clock.instant(), ZoneId.of(me.zone())));
    model.addAttribute(
        "theirs",
        form.typed().differences(other).stream()
            .map(key -> new Theirs(key, asForm.value(key)))
            .toList());
  }

  private String show(Me me, EntryForm form, Model model) {
    Catalogue catalogue = library.of(me.practiceId()).catalogue();
    preview(form, model);
    model.addAttribute("form", form);
    posing(form, new LinkedMultiValueMap<>(), model);
    model.addAttribute("texts", EntryForm.TEXTS);
    model.addAttribute("kept", EntryForm.KEPT);
    model.addAttribute("groups", Group.values());
    model.addAttribute("modes", Mode.values());
    model.addAttribute("sides", Sidedness.values());
    model.addAttribute("tissues", Tissue.values());
    model.addAttribute("positions", Position.values());
    model.addAttribute("equipments", Equipment.values());
    model.addAttribute("precautions", Precaution.values());
    model.addAttribute("motions", SidedMotion.values());
    Map<String, String> links = new LinkedHashMap<>();
    for (Exercise e : catalogue.all()) {
      if (!e.id().equals(form.code())) {
        links.put(e.id(), catalogue.words(e, Library.LANGUAGE).name());
      }
    }
    model.addAttribute("links", links);
    return "library/form";
  }

  private static void posing(EntryForm form, MultiValueMap<String, String> sent, Model model) {
    PoseEditor.of(form, sent).ifPresent(poses -> model.addAttribute("poses", poses));
    form.typed()
        .exercise()
        .flatMap(e -> Drawn.of(e, form.value("name"), Optional.empty()))
        .ifPresent(drawn -> model.addAttribute("drawn", drawn));
  }

  private static void preview(EntryForm form, Model model) {
    Optional<Exercise> exercise = form.typed().exercise();
    if (exercise.isEmpty()) return;
    Exercise e = exercise.get();
    Optional<Side> left = e.sided() ? Optional.of(Side.LEFT) : Optional.empty();
    Optional<Side> right = e.sided() ? Optional.of(Side.RIGHT) : Optional.empty();
    model.addAttribute("sided", e.sided());
    model.addAttribute(
        "lines",
        EntryView.lines(
            form.typed().preview(e, left, Library.LANGUAGE),
            form.typed().preview(e, right, Library.LANGUAGE),
            Library.LANGUAGE));
    model.addAttribute("palette", palette(e, left, right));
  }

  private static final Map<String, String> MEANINGS =
      Map.of(
          "{side}", "the treated side",
          "{other}", "the untreated side",
          "{way}", "where the movement goes",
          "{turn}", "where the head turns",
          "{direction}", "which way round",
          "{start}", "where a circle goes first");

  private static List<Placeholder> palette(Exercise e, Optional<Side> left, Optional<Side> right) {
    return ExerciseWords.placeholders(e).stream()
        .map(
            code -> {
              OwnExercise word = new OwnExercise("", Map.of(), Map.of("move", code));
              return new Placeholder(
                  code,
                  MEANINGS.getOrDefault(code, ""),
                  word.preview(e, left, Library.LANGUAGE).move(),
                  word.preview(e, right, Library.LANGUAGE).move());
            })
        .toList();
  }
}
