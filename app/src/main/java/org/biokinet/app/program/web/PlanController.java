package org.biokinet.app.program.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.AdviceService;
import org.biokinet.app.program.Comparison;
import org.biokinet.app.program.DocumentService;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.LeftOut;
import org.biokinet.app.program.SuggestionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.advice.Warning;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Item.Priority;
import org.biokinet.core.program.Order;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.StartDose;
import org.biokinet.core.timeline.DraftTimeline;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;

/** Plan: find an exercise, type a dose, see what it means and how long it takes. */
@Controller
@RequestMapping("/clients/{id}/plan")
class PlanController {

  private static final int MOST_HITS = 12;

  /** What is asked for while the page is open. */
  private static final String PART = "plan, live";

  /** How far from the minutes of the client the curve goes (our choice). */
  private static final int CURVE = 5;

  private final DraftService drafts;
  private final SuggestionService suggestions;
  private final AdviceService advice;
  private final DocumentService documents;
  private final SettingsService settings;
  private final ClientService clients;
  private final ClientHeader header;
  private final LibraryService library;
  private final ScreeningService screenings;
  private final MeasurementService measurements;
  private final AccountService accounts;
  private final Audit audit;

  PlanController(
      DraftService drafts,
      SuggestionService suggestions,
      AdviceService advice,
      DocumentService documents,
      SettingsService settings,
      ClientService clients,
      ClientHeader header,
      LibraryService library,
      ScreeningService screenings,
      MeasurementService measurements,
      AccountService accounts,
      Audit audit) {
    this.drafts = drafts;
    this.suggestions = suggestions;
    this.advice = advice;
    this.documents = documents;
    this.settings = settings;
    this.clients = clients;
    this.header = header;
    this.library = library;
    this.screenings = screenings;
    this.measurements = measurements;
    this.accounts = accounts;
    this.audit = audit;
  }

  @GetMapping
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      Model model) {
    DraftService.State state = drafts.state(me, header.show(me, id, Station.PLAN, model), program);
    plan(me, state, model);
    return "program/plan";
  }

  /** What a dose would mean and cost while it is being typed; changes nothing. */
  @GetMapping("/live")
  String live(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam String key,
      @RequestParam(defaultValue = "") String dose,
      Model model) {
    DraftService.State now = drafts.state(me, id, program);
    audit.sawPart(me, id, PART);
    DraftService.State typed = now.with(new DraftEdit.SetDose(key, dose).apply(now.draft()));
    lines(typed, model);
    model.addAttribute("key", key);
    return "program/plan-parts :: live";
  }

  @GetMapping("/exercises")
  String exercises(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") String q,
      Model model) {
    DraftService.State state = drafts.state(me, id, program);
    audit.sawPart(me, id, PART);
    Library mine = library.of(state.client().practice());
    List<Exercise> hits = mine.offered(q);
    model.addAttribute("client", state.client());
    model.addAttribute("library", mine);
    model.addAttribute("ruledOut", mine.search().understood(q).ruledOut());
    model.addAttribute("locked", locked(state, hits, mine));
    model.addAttribute("hits", hits.stream().limit(MOST_HITS).toList());
    model.addAttribute("more", Math.max(0, hits.size() - MOST_HITS));
    model.addAttribute("q", q.strip());
    model.addAttribute("seq", state.seq());
    return "program/plan-parts :: hits";
  }

  /**
   * What the screening locks of these, or has no place in such a program, with the reason, so that
   * it is seen before it is added.
   */
  private Map<String, String> locked(DraftService.State state, List<Exercise> hits, Library mine) {
    Optional<Assessment> answers = screenings.gate(state.client()).answers();
    Map<String, String> locked = new HashMap<>();
    for (Exercise e : hits.stream().limit(MOST_HITS).toList()) {
      Position position = position(state, answers, e, mine);
      Setting at = Setting.of(position, state.client().means());
      answers
          .flatMap(a -> a.of(e, at).locks().stream().map(Assessment.Reason::words).findFirst())
          .or(() -> state.program().against(e, position))
          .ifPresent(why -> locked.put(e.id(), why));
    }
    return locked;
  }

  @PostMapping("/add")
  String add(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String exercise,
      Model model,
      HttpServletResponse response) {
    Library mine = library.of(me.practiceId());
    Exercise added =
        mine.catalogue()
            .find(exercise)
            .filter(e -> !mine.catalogue().isRetired(e))
            .orElseThrow(PlanController::bad);
    DraftService.State state = drafts.state(me, id, program);
    Optional<Assessment> answers = screenings.gate(state.client()).answers();
    Position position = position(state, answers, added, mine);
    String start = DoseNotation.format(start(state.client(), answers, added, position));
    String key = UUID.randomUUID().toString();
    model.addAttribute("added", key);
    return show(
        me,
        id,
        drafts.edit(
            me,
            id,
            program,
            seq,
            new DraftEdit.Add(
                key,
                exercise,
                start,
                Optional.empty(),
                Optional.of(position).filter(p -> p != added.usualPosition()))),
        mine.name(added),
        model,
        response);
  }

  /** The dose to begin with, as far as the screening lets it be known. */
  private static Dose start(
      Client client, Optional<Assessment> answers, Exercise added, Position position) {
    Setting at = Setting.of(position, client.means());
    return answers
        .map(a -> StartDose.of(a, added, at, client.breathSeconds()))
        .orElse(added.start());
  }

  /** Where the last item of the list is done, if this one can be and may be, else its usual one. */
  private static Position position(
      DraftService.State state, Optional<Assessment> answers, Exercise e, Library mine) {
    List<DraftItem> items = state.draft().items();
    Means means = state.client().means();
    Optional<Position> last =
        items.isEmpty()
            ? Optional.empty()
            : mine.catalogue()
                .find(items.get(items.size() - 1).exercise())
                .map(items.get(items.size() - 1)::position)
                .filter(means.positions()::contains)
                .filter(
                    p ->
                        answers.isEmpty()
                            || answers.get().of(e, Setting.of(p, means)).locks().isEmpty());
    return state.program().position(e, last).orElse(e.usualPosition());
  }

  @PostMapping("/dose")
  String dose(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam(defaultValue = "") String dose,
      Model model,
      HttpServletResponse response) {
    String typed = cut(dose, DoseNotation.LONGEST_TEXT);
    DraftService.Outcome outcome =
        drafts.edit(me, id, program, seq, new DraftEdit.SetDose(key, typed));
    String plan = show(me, id, outcome, dose, model, response);
    if (outcome instanceof DraftService.Outcome.Done) {
      // Only what the dose changes, so that the next cell can be typed in meanwhile.
      response.setHeader("HX-Trigger", "dose-saved");
      model.addAttribute("key", key);
      model.addAttribute("saved", true);
      return "program/plan-parts :: live";
    }
    response.setHeader("HX-Retarget", "#plan");
    response.setHeader("HX-Reswap", "outerHTML");
    return plan;
  }

  /** One choice: of an item where a key is given, else of the whole program. */
  @PostMapping("/set")
  String set(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam(defaultValue = "") String key,
      @RequestParam String what,
      @RequestParam(defaultValue = "") String value,
      Model model,
      HttpServletResponse response) {
    DraftEdit edit =
        switch (what) {
          case "title" -> new DraftEdit.SetTitle(cut(value.strip(), Program.LONGEST_TITLE));
          case "note" ->
              new DraftEdit.SetNote(
                  Optional.of(cut(value.strip(), Draft.LONGEST_NOTE)).filter(n -> !n.isEmpty()));
          case "lead" -> new DraftEdit.SetLead(choice(Side.class, value));
          case "target" ->
              new DraftEdit.SetTarget(
                  key,
                  Optional.of(cut(value.strip(), DoseNotation.LONGEST_TEXT))
                      .filter(t -> !t.isEmpty()));
          case "position" ->
              new DraftEdit.SetPosition(
                  key, choice(Position.class, value).orElseThrow(PlanController::bad));
          case "order" -> new DraftEdit.SetOrder(key, choice(Order.class, value));
          case "item-lead" -> new DraftEdit.SetItemLead(key, choice(Side.class, value));
          case "days" -> new DraftEdit.SetDays(days(value));
          case "priority" ->
              new DraftEdit.SetPriority(
                  key, choice(Priority.class, value).orElseThrow(PlanController::bad));
          default -> throw bad();
        };
    return show(me, id, drafts.edit(me, id, program, seq, edit), value, model, response);
  }

  private static int days(String value) {
    if (!value.matches("[1-%d]".formatted(Draft.MOST_DAYS))) throw bad();
    return Integer.parseInt(value);
  }

  /** Begins a flare plan with what of the main program fits. */
  @PostMapping("/flare")
  String flare(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    DraftEdit edit = suggestions.flarePlan(drafts.state(me, id, ProgramKind.FLARE));
    return show(
        me,
        id,
        drafts.edit(me, id, ProgramKind.FLARE, seq, edit),
        "the beginning",
        model,
        response);
  }

  private static ResponseStatusException bad() {
    return new ResponseStatusException(HttpStatus.BAD_REQUEST);
  }

  private static <T extends Enum<T>> Optional<T> choice(Class<T> type, String name) {
    if (name.isEmpty()) return Optional.empty();
    return Optional.of(
        Arrays.stream(type.getEnumConstants())
            .filter(v -> v.name().equals(name))
            .findFirst()
            .orElseThrow(PlanController::bad));
  }

  private static String cut(String text, int most) {
    return text.length() > most ? text.substring(0, most) : text;
  }

  /** Takes what was offered against a warning. */
  @PostMapping("/fix")
  String fix(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam Warning.Kind kind,
      @RequestParam String fix,
      Model model,
      HttpServletResponse response) {
    DraftService.State state = drafts.state(me, id, program);
    DraftService.Outcome outcome =
        advice
            .fix(state, kind, fix)
            .map(edit -> drafts.edit(me, id, program, seq, edit))
            .orElse(
                new DraftService.Outcome.Refused(
                    state, "The program has changed since: look at its warnings again."));
    return show(me, id, outcome, fix, model, response);
  }

  /** One breath of this client; every dose in breaths follows, and sharing makes it theirs. */
  @PostMapping("/breath")
  String breath(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "0") int seq,
      @RequestParam(defaultValue = "") String breath,
      Model model,
      HttpServletResponse response) {
    double seconds =
        breath.strip().matches("\\d{1,2}([.,]\\d)?")
            ? Double.parseDouble(breath.strip().replace(',', '.'))
            : 0;
    if (seconds >= Program.SHORTEST_BREATH && seconds <= Program.LONGEST_BREATH) {
      DraftEdit edit = new DraftEdit.SetBreath(seconds);
      return show(me, id, drafts.edit(me, id, program, seq, edit), breath, model, response);
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("breathTyped", breath);
    model.addAttribute(
        "breathError",
        "Seconds from %.0f to %.0f, such as 5 or 4.5."
            .formatted(Program.SHORTEST_BREATH, Program.LONGEST_BREATH));
    plan(me, drafts.state(me, id, program), model);
    return "program/plan-parts :: plan";
  }

  /** Which published band the practice wants to see. */
  @PostMapping("/band")
  String band(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam Band band,
      Model model) {
    clients.get(me, id);
    settings.setBand(me, band);
    plan(me, drafts.state(me, id, program), model);
    return "program/plan-parts :: plan";
  }

  @PostMapping("/move")
  String move(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam int to,
      @RequestParam(defaultValue = "") List<String> keys,
      Model model,
      HttpServletResponse response) {
    model.addAttribute("selected", keys);
    DraftEdit edit =
        keys.contains(key)
            ? together(drafts.state(me, id, program).draft(), keys, key, to)
            : new DraftEdit.Move(key, to);
    return show(me, id, drafts.edit(me, id, program, seq, edit), "the move", model, response);
  }

  /** All that is chosen goes one place the way that one of them goes, and is together then. */
  private static DraftEdit together(Draft draft, List<String> keys, String key, int to) {
    List<String> all = draft.items().stream().map(DraftItem::key).toList();
    int first = (int) all.stream().takeWhile(k -> !keys.contains(k)).count();
    int way = Integer.signum(to - draft.indexOf(key));
    return new DraftEdit.MoveAll(keys, Math.max(0, first + way));
  }

  /** The same once more, to be given another dose or position. */
  @PostMapping("/duplicate")
  String duplicate(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String key,
      Model model,
      HttpServletResponse response) {
    String as = UUID.randomUUID().toString();
    model.addAttribute("added", as);
    DraftEdit edit = new DraftEdit.Duplicate(key, as);
    return show(me, id, drafts.edit(me, id, program, seq, edit), "the copy", model, response);
  }

  @PostMapping("/remove")
  String remove(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam(defaultValue = "") List<String> keys,
      Model model,
      HttpServletResponse response) {
    return show(
        me,
        id,
        drafts.edit(
            me,
            id,
            program,
            seq,
            keys.contains(key) ? new DraftEdit.RemoveAll(keys) : new DraftEdit.Remove(key)),
        "removing",
        model,
        response);
  }

  // ---- suggested ---------------------------------------------------------------------------

  /** What would be suggested now, and what that would change; changes nothing. */
  @GetMapping("/suggestion")
  String suggestion(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "0") int minutes,
      @RequestParam(defaultValue = "false") boolean chosen,
      @RequestParam(defaultValue = "") Set<Position> positions,
      @RequestParam(defaultValue = "") Set<String> findings,
      Model model) {
    DraftService.State state = drafts.state(me, id, program);
    audit.sawPart(me, id, PART);
    SuggestionService.WhatIf whatIf = whatIf(program, minutes, chosen, positions, findings);
    model.addAttribute("client", state.client());
    model.addAttribute("program", program);
    model.addAttribute("choices", suggestions.choices(state, whatIf));
    model.addAttribute("chosen", chosen);
    SuggestionService.Answer answer = suggestions.propose(state, whatIf);
    if (answer instanceof SuggestionService.Answer.Proposal p) {
      List<Integer> lengths =
          IntStream.rangeClosed(
                  Math.max(1, p.minutes() - CURVE),
                  Math.min(program.mostMinutes(), p.minutes() + CURVE))
              .boxed()
              .toList();
      model.addAttribute("proposal", p);
      model.addAttribute("served", ServedView.of(p.suggestion(), p.library()));
      model.addAttribute("clocks", Comparison.clocks(p.secondsNow(), p.suggestion().seconds()));
      model.addAttribute(
          "curve",
          ServedView.bars(
              suggestions.curve(state, whatIf, lengths), p.suggestion().bound(), p.minutes()));
    } else {
      model.addAttribute("whyNot", ((SuggestionService.Answer.Not) answer).why());
    }
    return "program/suggest-parts :: suggestion";
  }

  /**
   * What is on record unless something else that can be is asked for.
   *
   * @param chosen whether the positions and the findings were there to be chosen
   */
  private static SuggestionService.WhatIf whatIf(
      ProgramKind program,
      int minutes,
      boolean chosen,
      Set<Position> positions,
      Set<String> findings) {
    return new SuggestionService.WhatIf(
        minutes >= 1 && minutes <= program.mostMinutes()
            ? OptionalInt.of(minutes)
            : OptionalInt.empty(),
        chosen ? Optional.of(positions) : Optional.empty(),
        chosen ? Optional.of(findings) : Optional.empty());
  }

  /** Takes what is suggested, as one edit. */
  @PostMapping("/suggest")
  String suggest(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam(defaultValue = "0") int minutes,
      @RequestParam(defaultValue = "false") boolean chosen,
      @RequestParam(defaultValue = "") Set<Position> positions,
      @RequestParam(defaultValue = "") Set<String> findings,
      Model model,
      HttpServletResponse response) {
    DraftService.State state = drafts.state(me, id, program);
    SuggestionService.Answer answer =
        suggestions.propose(state, whatIf(program, minutes, chosen, positions, findings));
    if (answer instanceof SuggestionService.Answer.Proposal p && !p.changes().isEmpty()) {
      return show(
          me, id, drafts.edit(me, id, program, seq, p.edit()), "the suggestion", model, response);
    }
    String why =
        answer instanceof SuggestionService.Answer.Not not
            ? not.why()
            : "Nothing better than this was found for these findings and minutes.";
    return show(me, id, new DraftService.Outcome.Refused(state, why), "", model, response);
  }

  /** Keeps a row whatever else is suggested, or gives it free. */
  @PostMapping("/keep")
  String keep(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam boolean kept,
      Model model,
      HttpServletResponse response) {
    return show(
        me,
        id,
        drafts.edit(me, id, program, seq, new DraftEdit.Keep(key, kept)),
        "",
        model,
        response);
  }

  /** What could stand in the place of a row. */
  @GetMapping("/others")
  String others(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam String key,
      Model model) {
    DraftService.State state = drafts.state(me, id, program);
    audit.sawPart(me, id, PART);
    Library mine = library.of(state.client().practice());
    model.addAttribute("client", state.client());
    model.addAttribute("key", key);
    model.addAttribute(
        "others",
        suggestions.runnersUp(state, key).stream().map(r -> ServedView.other(r, mine)).toList());
    return "program/suggest-parts :: others";
  }

  @PostMapping("/swap")
  String swap(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam String exercise,
      Model model,
      HttpServletResponse response) {
    DraftService.State state = drafts.state(me, id, program);
    DraftService.Outcome outcome =
        suggestions
            .swap(state, key, exercise)
            .map(edit -> drafts.edit(me, id, program, seq, edit))
            .orElse(
                new DraftService.Outcome.Refused(
                    state, "The program has changed since: look for others again."));
    return show(me, id, outcome, exercise, model, response);
  }

  /** Leaves an exercise out of what is suggested to this client, and out of the draft. */
  @PostMapping("/leave-out")
  String leaveOut(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam String exercise,
      @RequestParam LeftOut.Reason reason,
      Model model,
      HttpServletResponse response) {
    DraftService.State state = drafts.state(me, id, program);
    if (library.of(me.practiceId()).catalogue().find(exercise).isEmpty()) throw bad();
    suggestions.leaveOut(me, id, new LeftOut(exercise, reason));
    Optional<DraftItem> row =
        state.draft().items().stream().filter(i -> i.exercise().equals(exercise)).findFirst();
    DraftService.Outcome outcome =
        row.filter(r -> reason != LeftOut.Reason.NONE)
            .map(r -> drafts.edit(me, id, program, seq, new DraftEdit.Remove(r.key())))
            .orElseGet(() -> new DraftService.Outcome.Done(drafts.state(me, id, program)));
    return show(me, id, outcome, "leaving it out", model, response);
  }

  /** How far the draft serves what was found. */
  @GetMapping("/served")
  String served(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      Model model) {
    DraftService.State state = drafts.state(me, id, program);
    audit.sawPart(me, id, PART);
    Library mine = library.of(state.client().practice());
    suggestions
        .served(state)
        .ifPresent(
            s -> {
              model.addAttribute("served", ServedView.of(s, mine));
              model.addAttribute("rows", ServedView.rows(state.draft(), s));
            });
    model.addAttribute("warnings", suggestions.unserved(state));
    model.addAttribute("client", state.client());
    model.addAttribute("leftOut", suggestions.leftOut(state.client()));
    model.addAttribute("library", mine);
    return "program/suggest-parts :: served";
  }

  /** The draft as a file. */
  @GetMapping("/document")
  ResponseEntity<String> document(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program) {
    DraftService.State state = drafts.state(me, id, program);
    audit.sawPart(me, id, "plan, document");
    DocumentService.Exported exported = documents.export(state);
    if (exported instanceof DocumentService.Exported.Document d) {
      String name = "program-%s.json".formatted(program.code());
      return ResponseEntity.ok()
          .contentType(MediaType.APPLICATION_JSON)
          .header(
              HttpHeaders.CONTENT_DISPOSITION,
              ContentDisposition.attachment().filename(name).build().toString())
          .body(d.json());
    }
    String why = ((DocumentService.Exported.Not) exported).why();
    return ResponseEntity.unprocessableEntity().contentType(MediaType.TEXT_PLAIN).body(why);
  }

  /** A document as the draft: all of it, as one edit, or nothing and every fault. */
  @PostMapping("/import")
  String importDocument(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam(defaultValue = "") String document,
      @RequestParam Optional<MultipartFile> file,
      Model model,
      HttpServletResponse response)
      throws IOException {
    boolean uploaded = file.filter(f -> !f.isEmpty()).isPresent();
    String text =
        uploaded ? new String(file.orElseThrow().getBytes(), StandardCharsets.UTF_8) : document;
    DraftService.State state = drafts.state(me, id, program);
    DocumentService.Imported imported = documents.read(state, text);
    if (imported instanceof DocumentService.Imported.Bad bad) {
      model.addAttribute("documentTyped", cut(text, DocumentService.LONGEST));
      model.addAttribute("documentFaults", bad.faults());
      String why = "Nothing was taken from the document: see what is wrong with it below.";
      return show(me, id, new DraftService.Outcome.Refused(state, why), "", model, response);
    }
    DocumentService.Imported.Ready ready = (DocumentService.Imported.Ready) imported;
    model.addAttribute("documentLeft", ready.left());
    return show(
        me, id, drafts.edit(me, id, program, seq, ready.edit()), "the document", model, response);
  }

  @PostMapping("/undo")
  String undo(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    return show(me, id, drafts.undo(me, id, program, seq), "undo", model, response);
  }

  @PostMapping("/redo")
  String redo(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    return show(me, id, drafts.redo(me, id, program, seq), "redo", model, response);
  }

  @PostMapping("/share")
  String share(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam(defaultValue = "") String reason,
      Model model,
      HttpServletResponse response) {
    String why = cut(reason.strip(), DraftService.LONGEST_REASON);
    model.addAttribute("reason", why);
    DraftService.Outcome outcome = drafts.share(me, id, program, seq, why);
    if (outcome instanceof DraftService.Outcome.Shared) {
      response.setHeader("HX-Redirect", "/clients/" + id + "/do?shared");
    }
    return show(me, id, outcome, "sharing", model, response);
  }

  private String show(
      Me me,
      UUID id,
      DraftService.Outcome outcome,
      String mine,
      Model model,
      HttpServletResponse response) {
    DraftService.State state;
    if (outcome instanceof DraftService.Outcome.Done done) {
      state = done.state();
    } else if (outcome instanceof DraftService.Outcome.Overtaken overtaken) {
      state = overtaken.state();
      response.setStatus(HttpStatus.CONFLICT.value());
      model.addAttribute("overtakenBy", overtaken.by());
      model.addAttribute("mine", mine);
    } else if (outcome instanceof DraftService.Outcome.Refused refused) {
      state = refused.state();
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("refused", refused.why());
    } else {
      state = drafts.state(me, id, ((DraftService.Outcome.Shared) outcome).version().program());
    }
    plan(me, state, model);
    return "program/plan-parts :: plan";
  }

  /** The whole of it, with what measuring has found. */
  private void plan(Me me, DraftService.State state, Model model) {
    model.addAttribute("company", CompanyView.of(state, me, accounts));
    Library mine = lines(state, model);
    MeasurementService.Found found = measurements.found(state.client(), mine);
    model.addAttribute("bands", Band.values());
    model.addAttribute("sides", Side.values());
    model.addAttribute("orders", Order.values());
    model.addAttribute("findings", found.standing());
    model.addAttribute(
        "suggestable",
        found.standing().stream().anyMatch(j -> !j.treat().isEmpty())
            && state.program().servesFindings()
            && !model.containsAttribute("closed"));
    model.addAttribute("days", state.draft().days().orElse(Draft.USUAL_DAYS));
    model.addAttribute("mostDays", Draft.MOST_DAYS);
    model.addAttribute("minutes", SuggestionService.minutes(state));
    if (!model.containsAttribute("reason")) {
      model.addAttribute("reason", state.shared().map(r -> r.version().reason()).orElse(""));
    }
    model.addAttribute("examined", found.examined());
  }

  /** What a dose changes. */
  private Library lines(DraftService.State state, Model model) {
    Client client = state.client();
    SettingsService.Chosen chosen = settings.of(client.practice());
    Library mine = library.of(client.practice());
    DraftTimeline timed =
        DraftTimeline.of(
            state.draft(),
            client.breathSeconds(),
            chosen.pacing(),
            mine.catalogue(),
            state.today());
    model.addAttribute("client", client);
    model.addAttribute("program", state.program());
    model.addAttribute("programs", ProgramKind.values());
    model.addAttribute("inForce", state.inForce());
    model.addAttribute(
        "plan", PlanView.of(state, timed, chosen.band(), mine.catalogue(), Library.LANGUAGE));
    gate(state, timed, mine, model);
    return mine;
  }

  /** What the screening says to the program as a whole and to each line of it. */
  private void gate(DraftService.State state, DraftTimeline timed, Library mine, Model model) {
    Gate gate = screenings.gate(state.client());
    if (gate instanceof Gate.Closed closed) model.addAttribute("closed", closed.why());
    Map<String, Screened> lines = new HashMap<>();
    Client client = state.client();
    Optional<Allowed> allowed = Allowed.of(gate, client.means(), client.breathSeconds());
    List<Item> before = new ArrayList<>(state.inForce().before(state.program()));
    for (DraftTimeline.TimedItem line : timed.lines()) {
      Screened screened =
          Screened.of(
              state.program(), allowed.map(a -> a.beside(before)), line, client.means(), mine);
      if (!screened.refused()) line.itemNow().ifPresent(before::add);
      lines.put(line.draft().key(), screened);
    }
    model.addAttribute("screened", lines);
    model.addAttribute("warnings", advice.of(state, gate));
  }
}
