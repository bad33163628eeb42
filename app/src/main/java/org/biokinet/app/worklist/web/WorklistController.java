package org.biokinet.app.worklist.web;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.people.Absence;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.WorklistService;
import org.biokinet.app.worklist.WorklistService.Whose;
import org.biokinet.core.progress.Attention;
import org.springframework.data.domain.Page;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** The first page: who needs attention, and why. */
@Controller
class WorklistController {

  /**
   * @param row empty where it is with nobody who is known
   */
  record Meeting(String time, String title, Optional<WorklistService.Row> row) {}

  /** The ways to the pages before and after one; everything else stays as it was asked for. */
  record Pager(UriComponentsBuilder here, String name, int page) {

    public String before() {
      return to(page - 1);
    }

    public String after() {
      return to(page + 1);
    }

    private String to(int other) {
      return here.cloneBuilder().replaceQueryParam(name, other).build().toUriString();
    }
  }

  private static final int PER_PAGE = 25;
  private static final int STEADY_PER_PAGE = 25;
  private static final int MOST_HITS = 10;
  private static final int MOST_EXERCISES = 5;

  /** A list that fits on one screen is shown whole. */
  private static final int SHORT_LIST = 10;

  private final WorklistService worklist;
  private final ClientService clients;
  private final AccountService accounts;
  private final LibraryService library;
  private final Clock clock;

  WorklistController(
      WorklistService worklist,
      ClientService clients,
      AccountService accounts,
      LibraryService library,
      Clock clock) {
    this.worklist = worklist;
    this.clients = clients;
    this.accounts = accounts;
    this.library = library;
    this.clock = clock;
  }

  @GetMapping("/")
  String page(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "0") int page,
      @RequestParam(defaultValue = "0") int steadyPage,
      @RequestParam(defaultValue = "0") int laterPage,
      @RequestParam(defaultValue = "false") boolean steady,
      @RequestParam(defaultValue = "false") boolean afterwards,
      @RequestParam(defaultValue = "false") boolean today,
      @RequestParam(defaultValue = "ALL") Whose whose,
      @RequestParam Optional<Attention> reason,
      HttpServletRequest request,
      Model model) {
    if (!me.role().clinical()) return "redirect:/desk";
    boolean shared = worklist.shared(me);
    Whose of = shared ? whose : Whose.ALL;
    LastList.keep(request);
    WorklistService.Look look = worklist.look(me, of);
    Page<WorklistService.Row> wanting = look.wanting(reason, page, PER_PAGE);
    List<WorklistService.Reason> reasons = look.reasons();
    long all = reasons.stream().mapToLong(WorklistService.Reason::clients).sum();
    Page<WorklistService.Row> calm = look.steady(steadyPage, STEADY_PER_PAGE);
    Page<WorklistService.Row> later = look.later(laterPage, STEADY_PER_PAGE);
    long total = all + calm.getTotalElements() + later.getTotalElements();
    model.addAttribute("shared", shared);
    model.addAttribute("whose", of);
    model.addAttribute("mine", of == Whose.MINE);
    model.addAttribute("team", of == Whose.TEAM);
    model.addAttribute("covered", look.covered().stream().map(this::covered).toList());
    model.addAttribute("day", Days.longDay(clock.instant(), ZoneId.of(me.zone())));
    model.addAttribute("missing", worklist.missing(me));
    model.addAttribute("total", total);
    model.addAttribute("all", all);
    model.addAttribute("reasons", reasons);
    model.addAttribute("reason", reason.orElse(null));
    model.addAttribute("wanting", wanting);
    model.addAttribute("calm", calm);
    model.addAttribute("later", later);
    ZoneId zone = ZoneId.of(me.zone());
    model.addAttribute("meetingsOpen", today);
    model.addAttribute(
        "meetings",
        worklist.meetings(me).stream()
            .map(
                m ->
                    new Meeting(
                        "%s–%s"
                            .formatted(
                                Days.time(m.at().from(), zone), Days.time(m.at().until(), zone)),
                        m.at().title(),
                        m.row()))
            .toList());
    model.addAttribute("here", here(request).build().toUriString());
    model.addAttribute("wantingPages", new Pager(here(request), "page", page));
    model.addAttribute("steadyPages", new Pager(here(request), "steadyPage", steadyPage));
    model.addAttribute("laterPages", new Pager(here(request), "laterPage", laterPage));
    model.addAttribute("laterOpen", afterwards);
    model.addAttribute("steadyOpen", steady || total <= SHORT_LIST);
    return "worklist/worklist";
  }

  private static UriComponentsBuilder here(HttpServletRequest request) {
    return UriComponentsBuilder.fromPath("/").query(request.getQueryString());
  }

  private String covered(Absence a) {
    return "%s until %s".formatted(accounts.practitionerName(a.who()), Days.day(a.last()));
  }

  /** The search in the head of every page. */
  @GetMapping("/find")
  String find(
      @AuthenticationPrincipal Me me, @RequestParam(defaultValue = "") String q, Model model) {
    String wanted = q.strip().toLowerCase(Locale.ROOT);
    Page<Client> hits = wanted.isEmpty() ? Page.empty() : clients.named(me, wanted, MOST_HITS);
    model.addAttribute("q", q.strip());
    model.addAttribute("hits", hits.getContent());
    model.addAttribute("more", hits.getTotalElements() - hits.getNumberOfElements());
    Library mine = library.of(me.practiceId());
    model.addAttribute("library", mine);
    model.addAttribute("clinical", me.role().clinical());
    model.addAttribute(
        "exercises",
        wanted.isEmpty() || !me.role().clinical()
            ? List.of()
            : mine.offered(wanted).stream().limit(MOST_EXERCISES).toList());
    return "layout :: found";
  }
}
