package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.support.Days;
import org.biokinet.core.progress.Attention;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The first page: who needs attention, and why. */
@Controller
class WorklistController {

  private static final int STEADY_PER_PAGE = 25;
  private static final int MOST_HITS = 10;
  private static final int MOST_EXERCISES = 5;

  /** A list that fits on one screen is shown whole. */
  private static final int SHORT_LIST = 10;

  private final WorklistService worklist;
  private final ClientService clients;
  private final LibraryService library;
  private final Clock clock;

  WorklistController(
      WorklistService worklist, ClientService clients, LibraryService library, Clock clock) {
    this.worklist = worklist;
    this.clients = clients;
    this.library = library;
    this.clock = clock;
  }

  @GetMapping("/")
  String page(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "0") int steadyPage,
      @RequestParam(defaultValue = "false") boolean steady,
      @RequestParam(defaultValue = "false") boolean mine,
      Model model) {
    if (!me.role().clinical()) return "redirect:/desk";
    List<WorklistService.Row> all = worklist.rows(me);
    boolean shared = all.stream().anyMatch(r -> !r.client().practitionerId().equals(me.id()));
    model.addAttribute("shared", shared);
    model.addAttribute("mine", mine && shared);
    List<WorklistService.Row> rows =
        all.stream()
            .filter(r -> !mine || !shared || r.client().practitionerId().equals(me.id()))
            .toList();
    List<WorklistService.Row> wanting =
        rows.stream().filter(r -> r.attention() != Attention.STEADY).toList();
    List<WorklistService.Row> calm =
        rows.stream().filter(r -> r.attention() == Attention.STEADY).toList();
    int pages = Math.max(1, (calm.size() + STEADY_PER_PAGE - 1) / STEADY_PER_PAGE);
    int at = Math.max(0, Math.min(steadyPage, pages - 1));
    model.addAttribute("day", Days.longDay(clock.instant(), ZoneId.of(me.zone())));
    model.addAttribute("total", rows.size());
    model.addAttribute("wanting", wanting);
    model.addAttribute("calmCount", calm.size());
    model.addAttribute(
        "calm", calm.stream().skip((long) at * STEADY_PER_PAGE).limit(STEADY_PER_PAGE).toList());
    model.addAttribute("steadyOpen", steady || rows.size() <= SHORT_LIST);
    model.addAttribute("steadyPage", at);
    model.addAttribute("steadyPages", pages);
    return "worklist/worklist";
  }

  /** The search in the head of every page. */
  @GetMapping("/find")
  String find(
      @AuthenticationPrincipal Me me, @RequestParam(defaultValue = "") String q, Model model) {
    String wanted = q.strip().toLowerCase(Locale.ROOT);
    List<Client> hits =
        wanted.isEmpty()
            ? List.of()
            : clients.all(me).stream()
                .filter(c -> c.name().toLowerCase(Locale.ROOT).contains(wanted))
                .toList();
    model.addAttribute("q", q.strip());
    model.addAttribute("hits", hits.stream().limit(MOST_HITS).toList());
    model.addAttribute("more", Math.max(0, hits.size() - MOST_HITS));
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
