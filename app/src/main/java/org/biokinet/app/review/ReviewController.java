package org.biokinet.app.review;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.Station;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.session.CheckInRow;
import org.biokinet.app.session.SessionRow;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.support.Days;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Review: what was done and how it felt. */
@Controller
class ReviewController {

  private static final int PER_PAGE = 14;
  private static final int CHART_DAYS = 14;

  /**
   * One session in the table.
   *
   * @param whileClosed whether the gate was closed to it
   * @param putRight what the device had told wrongly, or empty
   * @param ended how it ended where that was not the usual way, else empty
   */
  record Line(
      String when,
      int version,
      String lead,
      String done,
      String planned,
      String ended,
      int left,
      int right,
      String painBefore,
      String highest,
      String felt,
      String note,
      boolean whileClosed,
      String putRight) {

    public boolean hasMore() {
      return !ended.isEmpty() || !note.isEmpty() || whileClosed || !putRight.isEmpty();
    }
  }

  private final ClientHeader header;
  private final SessionService sessions;
  private final VersionService versions;
  private final Clock clock;

  ReviewController(
      ClientHeader header, SessionService sessions, VersionService versions, Clock clock) {
    this.header = header;
    this.sessions = sessions;
    this.versions = versions;
    this.clock = clock;
  }

  @GetMapping("/clients/{id}/review")
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "0") int page,
      Model model) {
    Client client = header.show(me, id, Station.REVIEW, model);
    Page<SessionRow> shown = sessions.page(id, Math.max(0, page), PER_PAGE);
    Map<UUID, CheckInRow> checkIns = sessions.checkIns(shown.getContent());
    List<ProgramVersion> all = versions.all(id);
    Map<UUID, ProgramVersion> byId =
        all.stream().collect(Collectors.toMap(ProgramVersion::getId, Function.identity()));
    model.addAttribute(
        "lines",
        shown.getContent().stream()
            .map(s -> line(s, checkIns.get(s.uploadId()), byId.get(s.programVersionId()), client))
            .toList());
    model.addAttribute("page", shown);
    LocalDate today = clock.instant().atZone(client.zone()).toLocalDate();
    LocalDate from = today.minusDays(CHART_DAYS - 1L);
    List<SessionRow> recent = sessions.since(List.of(id), from);
    model.addAttribute(
        "chart", Chart.of(from, today, recent, sessions.checkIns(recent), all, client.zone()));
    model.addAttribute("conflicts", sessions.conflicts(id));
    return "review/review";
  }

  private Line line(
      SessionRow s, @Nullable CheckInRow c, @Nullable ProgramVersion v, Client client) {
    return new Line(
        Days.when(s.startedAt(), clock.instant(), client.zone()),
        v == null ? 0 : v.number(),
        s.lead().letter(),
        Timeline.clock(s.secondsDone()),
        Timeline.clock(s.secondsPlanned()),
        switch (s.ended()) {
          case FINISHED -> "";
          case EARLY -> "Ended early";
          case STOPPED -> "Stopped";
        },
        s.stretchLeft(),
        s.stretchRight(),
        told(s.painBefore()),
        told(c == null ? Optional.empty() : c.highestPain()),
        told(c == null ? Optional.empty() : c.stretchFelt()),
        c == null ? "" : c.note(),
        s.whileClosed(),
        s.putRight());
  }

  private static String told(Optional<Integer> of10) {
    return of10.map(String::valueOf).orElse("–");
  }
}
