package org.biokinet.app.review.web;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Matter;
import org.biokinet.app.client.Station;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.message.Message;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Review: what was done and how it felt. */
@Controller
class ReviewController {

  private static final int PER_PAGE = 14;

  /**
   * One session in the table.
   *
   * @param told what else was said of single items, a line each
   * @param whileClosed whether the gate was closed to it
   * @param putRight what the device had told wrongly, or empty
   * @param notInFull what was left out or cut short
   * @param ended how it ended where that was not the usual way, else empty
   */
  record SessionLine(
      String when,
      String version,
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
      List<String> told,
      boolean whileClosed,
      String putRight,
      List<String> notInFull) {

    public boolean hasMore() {
      return !ended.isEmpty()
          || !note.isEmpty()
          || !told.isEmpty()
          || whileClosed
          || !putRight.isEmpty();
    }
  }

  private final ClientHeader header;
  private final ClientService clients;
  private final ReviewService reviews;
  private final SessionService sessions;
  private final VersionService versions;
  private final MessageService messages;
  private final LibraryService library;
  private final BesideWords beside;
  private final Clock clock;

  ReviewController(
      ClientHeader header,
      ClientService clients,
      ReviewService reviews,
      SessionService sessions,
      VersionService versions,
      MessageService messages,
      LibraryService library,
      BesideWords beside,
      Clock clock) {
    this.header = header;
    this.clients = clients;
    this.reviews = reviews;
    this.sessions = sessions;
    this.versions = versions;
    this.messages = messages;
    this.library = library;
    this.beside = beside;
    this.clock = clock;
  }

  @GetMapping("/clients/{id}/review")
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "0") int page,
      Model model) {
    Client client = header.show(me, id, Station.REVIEW, model);
    Page<Session> shown = sessions.page(id, Math.max(0, page), PER_PAGE);
    Map<ProgramVersion.Name, VersionService.Replay> replays =
        versions.replays(
            id, shown.stream().map(ReviewController::done).collect(Collectors.toSet()));
    model.addAttribute(
        "lines", shown.stream().map(s -> line(s, replays.get(done(s)), client)).toList());
    model.addAttribute("page", shown);
    model.addAttribute("beside", beside.all(id, client.zone(), Library.LANGUAGE));
    List<Message> thread = messages.thread(id);
    model.addAttribute("messages", thread.stream().map(m -> said(m, client)).toList());
    model.addAttribute("answerId", UUID.randomUUID());
    List<Attention> open = clients.matters(id).stream().map(Matter::as).toList();
    model.addAttribute("waiting", open.contains(Attention.MESSAGE));
    if (open.contains(Attention.BY_ITSELF)) {
      reviews.newestByItself(client).ifPresent(made -> model.addAttribute("itself", made));
    }
    return "review/review";
  }

  /**
   * @param by empty where the client wrote it
   * @param seen when the client read it, or empty
   */
  record Said(String by, String text, String when, String seen) {}

  private Said said(Message m, Client client) {
    return new Said(
        m.by().orElse(""),
        m.text(),
        Days.when(m.at(), clock.instant(), client.zone())
            + m.told()
                .map(t -> ", written " + Days.when(t, clock.instant(), client.zone()))
                .orElse(""),
        m.seen().map(at -> Days.when(at, clock.instant(), client.zone())).orElse(""));
  }

  /** Answers what the client has written; nothing is sent empty. */
  @PostMapping("/clients/{id}/review/answer")
  String answer(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam UUID answer,
      @RequestParam(defaultValue = "") String text) {
    String review = "redirect:/clients/" + id + "/review";
    return review + (messages.answer(me, id, answer, text) ? "#messages" : "?empty#messages");
  }

  private static ProgramVersion.Name done(Session s) {
    return new ProgramVersion.Name(s.program(), s.version());
  }

  private SessionLine line(Session s, VersionService.@Nullable Replay replay, Client client) {
    Optional<CheckIn> said = s.checkIn();
    return new SessionLine(
        switch (s.told()) {
          case PLAYER -> Days.when(s.startedAt(), clock.instant(), client.zone());
          case PAPER -> Days.ago(s.startedAt(), clock.instant(), client.zone()) + " on paper";
          case CLIENT -> Days.ago(s.startedAt(), clock.instant(), client.zone()) + " as told";
        },
        done(s).words(),
        s.lead().letter(),
        Timeline.clock(s.secondsDone()),
        Timeline.clock(s.secondsPlanned()),
        switch (s.ended()) {
          case FINISHED -> "";
          case EARLY -> "Ended early";
          case STOPPED -> "Stopped";
        },
        s.stretchSeconds(Side.LEFT),
        s.stretchSeconds(Side.RIGHT),
        told(s.painBefore()),
        told(said.flatMap(CheckIn::highestPain)),
        told(said.flatMap(CheckIn::stretchFelt)),
        said.map(CheckIn::note).orElse(""),
        replay == null
            ? List.of()
            : ToldWords.of(s, replay, library.of(client.practice()).catalogue()),
        s.whileClosed(),
        s.putRight(),
        replay == null ? List.of() : notInFull(s, replay));
  }

  /** What of each item and side was left out or cut short. */
  private static List<String> notInFull(Session s, VersionService.Replay replay) {
    return s.parts().stream()
        .filter(p -> p.seconds() < p.plannedSeconds())
        .map(
            p ->
                "%s%s: %s"
                    .formatted(
                        replay.name(p.item(), Library.LANGUAGE),
                        p.side().map(side -> " " + side.letter()).orElse(""),
                        p.seconds() == 0
                            ? "left out"
                            : "%d of %d s".formatted(p.seconds(), p.plannedSeconds())))
        .toList();
  }

  private static String told(Optional<Integer> of10) {
    return of10.map(String::valueOf).orElse("–");
  }
}
