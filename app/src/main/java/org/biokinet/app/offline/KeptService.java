package org.biokinet.app.offline;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.platform.Secrets;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.DaysService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pain;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Gate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a client's device is to keep now. */
@Service
public class KeptService {

  /** A device that is used daily fetches its pages anew well before they end; our choice. */
  private static final Duration ANEW = Gate.LEASE.dividedBy(6);

  private static final String REST = "/me/rest";
  private static final String OVER = "/me/lease-over";

  /** What Today leads to, and what may be told there; and what is open on a desk all day. */
  private static final List<String> OPENED =
      List.of("/me/self-check", "/me/messages", "/me/log", "/me/exercises", "/me/desk");

  private final ScreeningService screenings;
  private final VersionService versions;
  private final PermitService permits;
  private final SessionService sessions;
  private final DaysService days;
  private final Clock clock;

  KeptService(
      ScreeningService screenings,
      VersionService versions,
      PermitService permits,
      SessionService sessions,
      DaysService days,
      Clock clock) {
    this.screenings = screenings;
    this.versions = versions;
    this.permits = permits;
    this.sessions = sessions;
    this.days = days;
    this.clock = clock;
  }

  /**
   * @param files what the application is made of: pages of another one are fetched again
   */
  @Transactional(readOnly = true)
  public KeptPages of(Client client, String files) {
    Gate gate = screenings.gate(client);
    Instant now = clock.instant();
    Map<ProgramKind, Permitted> all =
        days.today(client, permits.all(client, gate, versions.inForce(client)));
    List<Permitted> open = all.values().stream().filter(p -> !p.permit().nothing()).toList();
    List<String> players = open.stream().flatMap(p -> players(client, p)).toList();
    // What is shown when nothing else may be, comes first.
    List<String> pages = new ArrayList<>(List.of(OVER, REST));
    all.keySet().forEach(program -> pages.add("/me/today?program=" + program));
    if (all.isEmpty()) pages.add("/me/today");
    pages.addAll(players);
    for (Permitted p : open) {
      IntStream.range(0, p.replay().program().items().size())
          .mapToObj(place -> "/me/exercises/%d?program=%s".formatted(place, p.program()))
          .forEach(pages::add);
    }
    // Whatever is different in a page that is kept, is different here: what was shared, and what
    // the screening makes of it.
    Stream<Object> made =
        Stream.concat(
            Stream.of(
                files, gate.open(), now.getEpochSecond() / ANEW.toSeconds(), client.version()),
            all.values().stream().flatMap(KeptService::made));
    String mark = Secrets.hash(String.join("\n", made.map(String::valueOf).toList()));
    return new KeptPages(
        client.getId(),
        gate instanceof Gate.Open o ? o.leaseUntil(now, client.zone()) : now.plus(Gate.LEASE),
        mark,
        pages,
        players,
        OPENED,
        IntStream.rangeClosed(TenPoint.LEAST, TenPoint.MOST)
            .filter(pain -> new Pain(pain).mayStart())
            .boxed()
            .toList(),
        REST,
        OVER);
  }

  private static Stream<Object> made(Permitted p) {
    return Stream.concat(
        Stream.of(
            p.replay().version().id(),
            p.permit().beginning(),
            p.permit().waiting().stream().sorted().toList(),
            p.off().stream().sorted().toList()),
        p.replay().program().items().stream().map(p::dose));
  }

  private Stream<String> players(Client client, Permitted p) {
    Side turn = sessions.nextLead(client.getId(), p.program());
    return p.lengths(turn).keySet().stream()
        .flatMap(length -> Stream.of(turn, turn.opposite()).map(lead -> player(p, length, lead)));
  }

  /** The device says how much pain there is. */
  private static String player(Permitted p, SessionLength length, Side lead) {
    return "/me/player?lead=%s&length=%s&program=%s&pain=0".formatted(lead, length, p.program());
  }
}
