package org.biokinet.app.session;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Session;
import org.springframework.stereotype.Component;

/** Sessions, breaks at the desk by the day, and what was told between them. */
@Component
class SessionChronicle implements Chronicle {

  private final SessionService sessions;
  private final FollowUpService followUps;

  SessionChronicle(SessionService sessions, FollowUpService followUps) {
    this.sessions = sessions;
    this.followUps = followUps;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    List<Happened> all = new ArrayList<>();
    Map<LocalDate, List<Session>> breaks = new LinkedHashMap<>();
    for (Session s : sessions.between(client.getId(), from, until)) {
      if (s.program() == ProgramKind.DESK && !s.stopped()) {
        breaks.computeIfAbsent(s.day(), d -> new ArrayList<>()).add(s);
      } else {
        all.add(new Happened(s.startedAt(), Happened.Kind.SESSION, what(s), told(s), ""));
      }
    }
    breaks.forEach(
        (day, those) -> {
          Instant last = those.get(those.size() - 1).startedAt();
          String what = those.size() == 1 ? "a break" : those.size() + " breaks";
          all.add(new Happened(last, Happened.Kind.SESSION, what + " at the desk", "", ""));
        });
    for (Diary.MorningTold m : followUps.between(client.getId(), from, until).toldMornings()) {
      morning(m).ifPresent(all::add);
    }
    return all;
  }

  private static String what(Session s) {
    String how =
        switch (s.ended()) {
          case FINISHED -> "done";
          case EARLY -> "ended early";
          case STOPPED -> "STOPPED";
        };
    String told =
        switch (s.told()) {
          case PLAYER ->
              "%d of %d min".formatted(minutes(s.secondsDone()), minutes(s.secondsPlanned()));
          case PAPER -> "ticked on paper";
          case CLIENT -> "told by heart";
        };
    String name = new ProgramVersion.Name(s.program(), s.version()).inFull();
    return "Session of %s %s, %s".formatted(name, how, told);
  }

  private static int minutes(int seconds) {
    return Math.round(seconds / 60f);
  }

  /** Only what was told. */
  private static String told(Session s) {
    List<String> parts = new ArrayList<>();
    s.painBefore().ifPresent(p -> parts.add("pain before " + p));
    s.highestPain().ifPresent(p -> parts.add("highest " + p));
    s.checkIn().flatMap(CheckIn::stretchFelt).ifPresent(f -> parts.add("stretch felt " + f));
    s.settled().ifPresent(x -> parts.add(x.settled() ? "settled" : "did not settle"));
    if (s.whileClosed()) parts.add("while the gate was closed");
    s.checkIn()
        .map(CheckIn::note)
        .filter(n -> !n.isEmpty())
        .ifPresent(n -> parts.add("“" + n + "”"));
    return String.join(", ", parts);
  }

  private static Optional<Happened> morning(Diary.MorningTold told) {
    List<String> parts = new ArrayList<>();
    told.morning().pain().ifPresent(p -> parts.add("pain " + p));
    told.morning().woken().ifPresent(w -> parts.add(w ? "pain woke them" : "not woken by pain"));
    return parts.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Happened(
                told.at(), Happened.Kind.TOLD, "Of the morning", String.join(", ", parts), ""));
  }
}
