package org.biokinet.app.worklist;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Matter;
import org.biokinet.app.library.Library;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.worklist.internal.PutOffRow;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Flare;
import org.biokinet.core.progress.Line;
import org.biokinet.core.progress.Pause;
import org.biokinet.core.progress.Review;
import org.biokinet.core.progress.SideShare;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.screening.Feature;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Session;

/**
 * What the records of all capabilities say of one client, and where the client stands by that.
 *
 * @param draft of a program that is being written and nobody has shared
 * @param recent the sessions of the last days, the oldest first
 * @param newest the newest session, however old
 * @param open what waits to be dealt with
 * @param called the newest call
 * @param measured the day of the last visit
 * @param review when the next review of the main program is due
 * @param reviewing tells what a review would suggest now, empty where there is nothing to review;
 *     it costs much, and is asked only where nothing presses more
 * @param desk since when there was no break at the desk; empty where there is no program for it
 * @param putOff the newest word about that they are looked at later
 */
record ClientRecords(
    Client client,
    ClientScreening screening,
    LinkService.State link,
    Optional<ProgramVersion> shared,
    Optional<DraftService.Begun> draft,
    List<Session> recent,
    Optional<Session> newest,
    List<Matter> open,
    Optional<ClientService.Call> called,
    Optional<LocalDate> measured,
    Optional<Flare> flare,
    Optional<Pause> pause,
    Optional<LocalDate> review,
    Supplier<Optional<Reviewed>> reviewing,
    Optional<Instant> desk,
    Optional<PutOffRow> putOff,
    Instant now) {

  /**
   * @param decided when a review was made last
   * @param now the version that was reviewed, with the names of its items
   */
  record Reviewed(Review review, Optional<Instant> decided, VersionService.Replay now) {}

  Standing standing() {
    Gate gate = screening.gate();
    Attention without = Attention.of(facts(gate, Optional.empty()), now);
    Optional<Reviewed> reviewed =
        without.place() < Attention.RE_EXAMINE.place() ? Optional.empty() : reviewing.get();
    Optional<Gate.Open> stands = gate instanceof Gate.Open o ? Optional.of(o) : Optional.empty();
    Attention.Facts facts = facts(gate, reviewed);
    Attention attention = Attention.of(facts, now);
    return new Standing(
        attention,
        since(attention),
        validUntil(facts, reviewed),
        open,
        called
            .filter(c -> c.at().isAfter(since(attention)))
            .map(c -> new Standing.Called(c.at(), c.note())),
        facts.closed(),
        stands.map(o -> o.assessment().result().label()).orElse(""),
        facts.renewable(),
        stands.map(Gate.Open::validUntil),
        gate.answers().map(Assessment::lockedFeatures).orElse(Set.of()).stream()
            .map(Feature::label)
            .toList(),
        screening.opened().map(c -> new Standing.OpenedBy(c.by(), c.at(), c.examined(), c.found())),
        link.pinForgottenAt(),
        link.madeAt(),
        link.openedAt(),
        link.everOpened(),
        shared.map(v -> new Standing.Shared(v.name(), v.sharedAt())),
        draft.map(DraftService.Begun::next),
        newest.map(
            s ->
                new Standing.Last(
                    s.startedAt(), s.painBefore(), s.checkIn().flatMap(CheckIn::highestPain))),
        days(),
        measured,
        flare.filter(Flare::lasts).map(f -> new Standing.Flaring(f.begun(), f.until())),
        pause.map(p -> new Standing.Away(p.kind(), p.from(), p.last())),
        suggested(attention, reviewed),
        stands.map(Gate.Open::beginning).filter(Beginning::smaller),
        SideShare.of(recent),
        review,
        desk,
        putOff
            .filter(p -> p.off().holds(attention, since(attention), now))
            .map(p -> new Standing.Later(p.off().until(), p.reason())));
  }

  private Attention.Facts facts(Gate gate, Optional<Reviewed> reviewed) {
    return new Attention.Facts(
        at(Attention.STOPPED),
        gate instanceof Gate.Closed c ? Optional.of(c.why()) : Optional.empty(),
        gate instanceof Gate.Open o && o.renewable(),
        at(Attention.WHILE_CLOSED),
        at(Attention.MAP_ASKS),
        at(Attention.PAIN_TOO_HIGH),
        at(Attention.MESSAGE),
        link.pinForgottenAt().isPresent(),
        newest.flatMap(Session::rise),
        newest.map(Session::startedAt),
        shared.map(ProgramVersion::sharedAt),
        draft.isPresent(),
        link.everOpened(),
        review.map(day -> day.atStartOfDay(client.zone()).toInstant()),
        new Attention.Rest(
            flare,
            at(Attention.FLARE_EXAMINE),
            pause.map(p -> p.from().atStartOfDay(client.zone()).toInstant()),
            pause.map(p -> p.last().plusDays(1).atStartOfDay(client.zone()).toInstant())),
        at(Attention.BY_ITSELF),
        at(Attention.NEW_SYMPTOM),
        Attention.Progress.of(
            reviewed.map(Reviewed::review),
            reviewed.flatMap(Reviewed::decided),
            now,
            gate instanceof Gate.Open o && o.beginning().smaller(),
            recent,
            desk));
  }

  /** The first part that has led to this. */
  private static Optional<Standing.Suggested> suggested(
      Attention attention, Optional<Reviewed> reviewed) {
    List<Decision> leading =
        reviewed.map(r -> r.review().decisions()).orElse(List.of()).stream()
            .filter(
                d ->
                    switch (attention) {
                      case RE_EXAMINE -> d.asks().contains(Decision.Ask.RE_EXAMINE);
                      case WORSE -> d.line() == Line.EASE;
                      case READY -> d.line() == Line.GO_ON;
                      default -> false;
                    })
            .toList();
    return leading.stream()
        .findFirst()
        .map(
            d ->
                new Standing.Suggested(
                    name(d, reviewed.orElseThrow().now()),
                    d.evidence().get(0),
                    leading.size() - 1));
  }

  private static String name(Decision d, VersionService.Replay version) {
    String item = version.name(d.part().place(version.program()).orElseThrow(), Library.LANGUAGE);
    return item + d.part().side().map(s -> " (%s)".formatted(s.label())).orElse("");
  }

  private Optional<Instant> validUntil(Attention.Facts facts, Optional<Reviewed> reviewed) {
    Optional<Instant> gateChanges =
        screening.gateChanges().map(day -> day.atStartOfDay(client.zone()).toInstant());
    Optional<Instant> back = putOff.map(p -> p.off().until()).filter(now::isBefore);
    // What a review suggests counts days, and so do the last ones.
    Instant midnight =
        now.atZone(client.zone()).toLocalDate().plusDays(1).atStartOfDay(client.zone()).toInstant();
    Optional<Instant> tomorrow =
        Optional.of(midnight).filter(at -> reviewed.isPresent() || !recent.isEmpty());
    return Stream.of(Attention.changes(facts, now), gateChanges, back, tomorrow)
        .flatMap(Optional::stream)
        .min(Comparator.naturalOrder());
  }

  /** When the reason began. */
  private Instant since(Attention attention) {
    return switch (attention) {
      case FLARE_EXAMINE -> at(attention).orElseGet(() -> flare.orElseThrow().examinedFrom());
      case FLARE -> flare.orElseThrow().begun();
      case AWAY -> pause.orElseThrow().from().atStartOfDay(client.zone()).toInstant();
      case STOPPED, WHILE_CLOSED, MAP_ASKS, PAIN_TOO_HIGH, NEW_SYMPTOM, BY_ITSELF, MESSAGE ->
          at(attention).orElseThrow();
      case EMERGENCY, EXAMINE, SCREEN, SCREEN_SOON ->
          screening.newest().map(k -> k.answered().at()).orElse(client.createdAt());
      case NEW_PIN -> link.pinForgottenAt().orElseThrow();
      case PAIN_ROSE, RE_EXAMINE, WORSE, QUIET -> newest.orElseThrow().startedAt();
      case RETURNED -> recent.stream().findFirst().or(() -> newest).orElseThrow().startedAt();
      case DESK_SILENT -> desk.orElseThrow();
      case DRAFT_NOT_SHARED -> draft.orElseThrow().at();
      case REVIEW_DUE -> review.orElseThrow().atStartOfDay(client.zone()).toInstant();
      case NO_PROGRAM -> client.episodeSince();
      // Each session more is no other reason: only a new version is.
      case ONE_SIDE, READY, NOT_OPENED, NOT_STARTED -> shared.orElseThrow().sharedAt();
      case STEADY -> newest.map(Session::startedAt).orElse(client.createdAt());
    };
  }

  private Optional<Instant> at(Attention as) {
    return open.stream().filter(o -> o.as() == as).map(Matter::at).findFirst();
  }

  private List<Standing.Day> days() {
    Map<LocalDate, List<Session>> byDay = new TreeMap<>();
    for (Session s : recent) byDay.computeIfAbsent(s.day(), d -> new ArrayList<>()).add(s);
    List<Standing.Day> days = new ArrayList<>();
    byDay.forEach(
        (day, that) ->
            days.add(
                new Standing.Day(
                    day,
                    that.stream().anyMatch(s -> s.stretchSeconds(Side.LEFT) > 0),
                    that.stream().anyMatch(s -> s.stretchSeconds(Side.RIGHT) > 0),
                    that.stream().anyMatch(Session::stopped),
                    that.size())));
    return days;
  }
}
