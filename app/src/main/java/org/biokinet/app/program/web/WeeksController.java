package org.biokinet.app.program.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.Station;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.AdviceService;
import org.biokinet.app.program.CourseService;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Forecast;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The weeks ahead of a draft. Nothing here changes what the client does now. */
@Controller
@RequestMapping("/clients/{id}/weeks")
class WeeksController {

  /** The week that begins today and eight after it. */
  private static final int AHEAD = 9;

  private static final int BEHIND = 2;
  private static final String PART = "plan, weeks";

  private final DraftService drafts;
  private final CourseService courses;
  private final AdviceService advice;
  private final SettingsService settings;
  private final AccountService accounts;
  private final ClientHeader header;
  private final Audit audit;

  WeeksController(
      DraftService drafts,
      CourseService courses,
      AdviceService advice,
      SettingsService settings,
      AccountService accounts,
      ClientHeader header,
      Audit audit) {
    this.drafts = drafts;
    this.courses = courses;
    this.advice = advice;
    this.settings = settings;
    this.accounts = accounts;
    this.header = header;
    this.audit = audit;
  }

  @GetMapping
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      Model model) {
    weeks(me, drafts.state(me, header.show(me, id, Station.PLAN, model), program), "", 0, model);
    return "program/weeks";
  }

  /** One week of it, and one item in that week where a key is given; changes nothing. */
  @GetMapping("/week")
  String week(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") String key,
      @RequestParam(defaultValue = "0") int week,
      Model model) {
    DraftService.State state = drafts.state(me, id, program);
    audit.sawPart(me, id, PART);
    weeks(me, state, key, week, model);
    return "program/weeks-parts :: week";
  }

  /** Changes how one item goes through the weeks. */
  @PostMapping("/item")
  String item(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam CourseService.What what,
      @RequestParam String key,
      @RequestParam int week,
      @RequestParam(defaultValue = "0") int to,
      @RequestParam(defaultValue = "") List<Side> sides,
      Model model,
      HttpServletResponse response) {
    CourseService.Ahead ahead = courses.ahead(drafts.state(me, id, program), AHEAD, 0);
    int last = AHEAD - 1;
    CourseService.Wish wish =
        new CourseService.Wish(
            what,
            key,
            Math.max(0, Math.min(last, week)),
            Math.max(1, Math.min(last, to)),
            sides.isEmpty() ? List.of(Side.values()) : sides);
    CourseService.Answer answer = courses.answer(ahead, wish);
    int shown = what == CourseService.What.MOVE ? wish.to() : wish.week();
    if (answer instanceof CourseService.Answer.Not not) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("refused", not.why());
      weeks(me, ahead.state(), key, shown, model);
      return "program/weeks-parts :: weeks";
    }
    DraftEdit edit = ((CourseService.Answer.Edit) answer).edit();
    return show(me, drafts.edit(me, id, program, seq, edit), key, shown, model, response);
  }

  /** Reviews every so many weeks. */
  @PostMapping("/reviews")
  String reviews(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam int every,
      Model model,
      HttpServletResponse response) {
    Course now = drafts.state(me, id, program).draft().course().orElse(Course.USUAL);
    int weeks = Math.max(1, Math.min(Course.LONGEST, every));
    DraftEdit edit = new DraftEdit.SetCourse(now.every(weeks));
    return show(me, drafts.edit(me, id, program, seq, edit), "", 0, model, response);
  }

  /** A phase that begins with a week; none when it is left empty. */
  @PostMapping("/phase")
  String phase(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam(defaultValue = "") String key,
      @RequestParam int week,
      @RequestParam(defaultValue = "") String name,
      Model model,
      HttpServletResponse response) {
    DraftService.State state = drafts.state(me, id, program);
    Course now = state.draft().course().orElse(Course.USUAL);
    int in = Math.max(0, Math.min(AHEAD - 1, week));
    LocalDate first = state.today().plusDays((long) in * Forecast.DAYS_A_WEEK);
    LocalDate last = first.plusDays(Forecast.DAYS_A_WEEK - 1);
    Course then = now.beginning(first, last, name);
    String wrong = "";
    if (name.strip().length() > Course.LONGEST_NAME) {
      wrong = "At most %d characters.".formatted(Course.LONGEST_NAME);
    } else if (then.phases().size() > Course.MOST_PHASES) {
      wrong = "At most %d phases.".formatted(Course.MOST_PHASES);
    }
    if (!wrong.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("phaseError", wrong);
      model.addAttribute("phaseTyped", name);
      weeks(me, state, key, in, model);
      return "program/weeks-parts :: weeks";
    }
    DraftEdit edit = new DraftEdit.SetCourse(then);
    return show(me, drafts.edit(me, id, program, seq, edit), key, in, model, response);
  }

  @PostMapping("/undo")
  String undo(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    return show(me, drafts.undo(me, id, program, seq), "", 0, model, response);
  }

  @PostMapping("/redo")
  String redo(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    return show(me, drafts.redo(me, id, program, seq), "", 0, model, response);
  }

  private String show(
      Me me,
      DraftService.Outcome outcome,
      String key,
      int week,
      Model model,
      HttpServletResponse response) {
    if (outcome instanceof DraftService.Outcome.Overtaken overtaken) {
      response.setStatus(HttpStatus.CONFLICT.value());
      model.addAttribute("overtakenBy", overtaken.by());
      weeks(me, overtaken.state(), key, week, model);
    } else {
      weeks(me, ((DraftService.Outcome.Done) outcome).state(), key, week, model);
    }
    return "program/weeks-parts :: weeks";
  }

  private void weeks(Me me, DraftService.State state, String key, int week, Model model) {
    CourseService.Ahead ahead = courses.ahead(state, AHEAD, BEHIND);
    model.addAttribute("company", CompanyView.of(state, me, accounts));
    model.addAttribute("client", state.client());
    model.addAttribute("program", state.program());
    model.addAttribute("state", state);
    model.addAttribute("weeks", WeeksView.of(ahead));
    model.addAttribute("course", ahead.course());
    model.addAttribute("longest", Course.LONGEST);
    model.addAttribute("names", settings.of(state.client().practice()).phases());
    ahead.draft().problem().ifPresent(p -> model.addAttribute("problem", p));
    ahead
        .forecast()
        .ifPresent(f -> chosen(ahead, f, key, Math.max(0, Math.min(AHEAD - 1, week)), model));
  }

  /** The week that is looked at. */
  private void chosen(
      CourseService.Ahead ahead, Forecast forecast, String key, int number, Model model) {
    Forecast.Week week = forecast.weeks().get(number);
    Ledger beside = CourseService.beside(ahead.state());
    Optional<Ledger> before =
        number == 0
            ? ahead.state().shared().map(r -> Ledger.of(Timeline.compile(r.program())))
            : Optional.of(forecast.weeks().get(number - 1).stretch());
    model.addAttribute("chosen", week);
    model.addAttribute(
        "chosenDays", "%s to %s".formatted(Days.day(week.from()), Days.day(week.to())));
    model.addAttribute("clock", Timeline.clock(week.seconds()));
    model.addAttribute("phase", ahead.course().phase(week.to()).map(Course.Phase::name).orElse(""));
    model.addAttribute(
        "ledger",
        LedgerView.of(
            week.stretch(),
            Optional.of(beside),
            settings.of(ahead.state().client().practice()).band()));
    model.addAttribute("warnings", advice.of(ahead.state(), week, before));
    List<String> against = new ArrayList<>();
    for (DraftTimeline.TimedItem line : ahead.draft().lines()) {
      if (line.item().isEmpty()) continue;
      String name = ahead.library().name(line.exercise());
      Forecast.State state = week.state(line.draft().key());
      if (line.draft().key().equals(key)) {
        model.addAttribute("item", name);
        model.addAttribute("sided", line.exercise().sided());
        model.addAttribute("explained", WeeksView.explained(state));
      }
      boolean waits = state instanceof Forecast.State.Later l && !l.why().isEmpty();
      boolean barred =
          state instanceof Forecast.State.Done d
              && d.sides().values().stream().anyMatch(c -> c.move().barred());
      if (waits || barred) {
        against.add(name + ": " + String.join("; ", WeeksView.explained(state)));
      }
    }
    model.addAttribute("key", key);
    model.addAttribute("against", against);
  }
}
