package org.biokinet.app.writing;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Happened;
import org.biokinet.app.client.WhatHappened;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.History;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.writing.Writing.Section;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.LookingBack;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.Feature;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The first words of a note or letter, made of the record of one client. Whoever signs goes over
 * them; what the record does not hold is not said.
 */
@Component
class Composer {

  /** More than a year of weeks says no more of the first and the last; our choice. */
  private static final int MOST_WEEKS = 60;

  private final WhatHappened happened;
  private final MeasurementService measurements;
  private final ScreeningService screenings;
  private final VersionService versions;
  private final SessionService sessions;
  private final ReviewService reviews;
  private final LibraryService library;
  private final ClientService clients;

  Composer(
      WhatHappened happened,
      MeasurementService measurements,
      ScreeningService screenings,
      VersionService versions,
      SessionService sessions,
      ReviewService reviews,
      LibraryService library,
      ClientService clients) {
    this.happened = happened;
    this.measurements = measurements;
    this.screenings = screenings;
    this.versions = versions;
    this.sessions = sessions;
    this.reviews = reviews;
    this.library = library;
    this.clients = clients;
  }

  /**
   * @param day the day of the visit, or on which a letter is written, in the client's zone
   */
  @Transactional(readOnly = true)
  public List<Section> of(Client client, Writing.Kind kind, LocalDate day) {
    return sections(client, kind, day).stream()
        .map(s -> new Section(s.heading(), printable(s.text())))
        .toList();
  }

  /** The printed type has no arrow. */
  private static String printable(String text) {
    return text.replace("→", "to");
  }

  private List<Section> sections(Client client, Writing.Kind kind, LocalDate day) {
    return switch (kind) {
      case NOTE -> note(client, day);
      case REFERRER ->
          List.of(
              new Section("Why they came", ""),
              new Section("Findings", findings(client)),
              new Section("Screening", screened(client)),
              new Section("Measured", measured(client)),
              new Section("What is done", program(client)),
              new Section("What follows", next(client)));
      case PROGRESS ->
          List.of(
              new Section("Course", course(client, day)),
              new Section("At first and now", measured(client)),
              new Section("Goals", goals(client)),
              new Section("What is done", program(client)),
              new Section("Screening", screened(client)),
              new Section("What follows", next(client)));
      case DISCHARGE ->
          List.of(
              new Section("Findings", findings(client)),
              new Section("At first and now", measured(client)),
              new Section("Goals", goals(client)),
              new Section("What was done", course(client, day)),
              new Section("Advice", advice(client)),
              new Section("What to watch for", watchFor(client)));
    };
  }

  // ---- the note of a visit -----------------------------------------------------------------

  private List<Section> note(Client client, LocalDate day) {
    Map<Happened.Kind, List<Happened>> that =
        happened.between(client, day, day, EnumSet.allOf(Happened.Kind.class)).stream()
            .collect(Collectors.groupingBy(Happened::kind));
    return List.of(
        new Section("Told", ""),
        new Section("Screening", lines(that, Happened.Kind.SCREENING)),
        new Section("Measured", since(client, day)),
        new Section("Decided", lines(that, Happened.Kind.REVIEW, Happened.Kind.PROGRAM)),
        new Section("Taught", details(that, Happened.Kind.TEACHING)),
        new Section("Calls and messages", lines(that, Happened.Kind.CALL, Happened.Kind.MESSAGE)),
        new Section("What follows", next(client)));
  }

  /** The first of a day first. */
  private static Stream<Happened> of(
      Map<Happened.Kind, List<Happened>> that, Happened.Kind... kinds) {
    return Stream.of(kinds)
        .flatMap(k -> that.getOrDefault(k, List.of()).stream())
        .sorted((a, b) -> a.at().compareTo(b.at()));
  }

  private static String lines(Map<Happened.Kind, List<Happened>> that, Happened.Kind... kinds) {
    return of(that, kinds)
        .map(
            h ->
                h.detail().isEmpty()
                    ? h.what() + "."
                    : h.detail().contains("\n")
                        ? h.what() + ":\n" + h.detail()
                        : "%s: %s".formatted(h.what(), h.detail()))
        .collect(Collectors.joining("\n"));
  }

  private static String details(Map<Happened.Kind, List<Happened>> that, Happened.Kind kind) {
    return of(that, kind).map(Happened::detail).collect(Collectors.joining("\n"));
  }

  /** What was measured on the day, with what it was before. */
  private String since(Client client, LocalDate day) {
    List<Visit> visits =
        MeasurementService.ofEpisode(client, measurements.visits(client)).stream()
            .filter(v -> !v.day().isAfter(day))
            .toList();
    if (visits.isEmpty() || !visits.get(0).day().equals(day)) return "";
    Visit now = visits.get(0);
    List<Visit> earlier = visits.subList(1, visits.size());
    List<Visit> both = earlier.isEmpty() ? List.of(now) : List.of(now, Visit.newest(earlier));
    return History.of(both).lines().stream()
        .filter(c -> !c.cells().get(c.cells().size() - 1).isEmpty())
        .flatMap(c -> line(c).stream())
        .collect(Collectors.joining("\n"));
  }

  // ---- letters -----------------------------------------------------------------------------

  private String findings(Client client) {
    return measurements.found(client, library.of(client.practiceId())).standing().stream()
        .map(f -> f.words().replace(" →", ":"))
        .collect(Collectors.joining("\n"));
  }

  private String screened(Client client) {
    ClientScreening screening = screenings.of(client);
    return screening
        .newest()
        .map(
            kept -> {
              List<String> lines = new ArrayList<>();
              lines.add(
                  "Screened on %s: %s."
                      .formatted(
                          Days.date(kept.answered().day()), kept.assessment().result().label()));
              screening.opened().map(Composer::examined).ifPresent(lines::add);
              String locked = locked(screening);
              if (!locked.isEmpty()) lines.add("Left out for that reason: %s.".formatted(locked));
              return String.join("\n", lines);
            })
        .orElse("");
  }

  private static String examined(Clearance c) {
    return "Examined: %s. Found: %s.%s"
        .formatted(
            c.examined(),
            c.found(),
            c.medical() ? " Decided by a doctor: %s.".formatted(c.medicalOutcome()) : "");
  }

  private static String locked(ClientScreening screening) {
    return screening
        .gate()
        .answers()
        .map(a -> a.lockedFeatures().stream().map(Feature::label))
        .orElse(Stream.of())
        .collect(Collectors.joining(", "));
  }

  /** Every measure of the episode, its first value and its newest. */
  private String measured(Client client) {
    List<Visit> visits = MeasurementService.ofEpisode(client, measurements.visits(client));
    if (visits.isEmpty()) return "";
    String span =
        visits.size() == 1
            ? "Measured on %s.".formatted(Days.date(visits.get(0).day()))
            : "Measured from %s to %s."
                .formatted(
                    Days.date(visits.get(visits.size() - 1).day()), Days.date(visits.get(0).day()));
    return Stream.concat(
            Stream.of(span), History.of(visits).lines().stream().flatMap(c -> line(c).stream()))
        .collect(Collectors.joining("\n"));
  }

  /** "Pain now: from 7 to 2"; empty for what only compares the two sides of others. */
  private static Optional<String> line(History.Course c) {
    List<String> known = c.cells().stream().filter(cell -> !cell.isEmpty()).toList();
    if (known.isEmpty() || c.ofBothSides()) return Optional.empty();
    String first = c.with(known.get(0));
    String last = c.with(known.get(known.size() - 1));
    if (known.size() == 1) return Optional.of("%s: %s".formatted(c.name(), first));
    String change = c.change().isEmpty() ? "" : " (%s)".formatted(c.change());
    return Optional.of("%s: from %s to %s%s".formatted(c.name(), first, last, change));
  }

  private String goals(Client client) {
    List<Visit> visits = MeasurementService.ofEpisode(client, measurements.visits(client));
    return clients.goals(client.getId()).stream()
        .map(
            (Goal g) ->
                "%s: from %d to %d of 10, wanted %d%s"
                    .formatted(
                        g.activity(),
                        g.rated(),
                        g.now(visits),
                        g.wanted(),
                        g.met(visits) ? " (met)" : ""))
        .collect(Collectors.joining("\n"));
  }

  private String program(Client client) {
    return versions
        .latest(client, ProgramKind.MAIN)
        .map(
            now ->
                "%s, shared on %s:\n%s"
                    .formatted(
                        now.version().title(),
                        Days.date(LocalDate.ofInstant(now.version().sharedAt(), client.zone())),
                        items(now)))
        .orElse("");
  }

  private static String items(VersionService.Replay now) {
    List<String> lines = new ArrayList<>();
    List<Item> items = now.program().items();
    for (int place = 0; place < items.size(); place++) {
      Item item = items.get(place);
      String dose = new DoseWords(item.exercise().doseContext(), Library.LANGUAGE).of(item.dose());
      lines.add("– %s: %s".formatted(now.name(place, Library.LANGUAGE), dose));
    }
    return String.join("\n", lines);
  }

  /** What was shared, done and told in this episode. */
  private String course(Client client, LocalDate day) {
    LocalDate begun = LocalDate.ofInstant(client.episodeSince(), client.zone());
    SessionService.Log log = sessions.log(client.getId(), begun);
    List<Session> done =
        log.sessions().stream().filter(s -> s.program() != ProgramKind.DESK).toList();
    List<VersionService.Replay> shared =
        versions.episode(client).all().stream()
            .filter(r -> r.version().program() == ProgramKind.MAIN)
            .toList();
    List<String> lines = new ArrayList<>();
    if (!shared.isEmpty()) {
      lines.add(
          "%s of a program of exercises since %s, %s."
              .formatted(
                  shared.size() == 1 ? "One version" : shared.size() + " versions",
                  Days.date(LocalDate.ofInstant(shared.get(0).version().sharedAt(), client.zone())),
                  times(
                      reviews.all(client.getId()).stream()
                          .filter(r -> !r.at().isBefore(client.episodeSince()))
                          .count())));
    }
    if (!done.isEmpty()) {
      long days = done.stream().map(Session::day).distinct().count();
      lines.add(
          "%d %s on %d %s, the last on %s."
              .formatted(
                  done.size(),
                  done.size() == 1 ? "session" : "sessions",
                  days,
                  days == 1 ? "day" : "days",
                  Days.date(done.get(done.size() - 1).day())));
    }
    done.stream()
        .filter(s -> s.ended() == Ended.STOPPED)
        .map(Session::day)
        .distinct()
        .map(d -> "Stopped on %s.".formatted(Days.date(d)))
        .forEach(lines::add);
    pain(begun, day, log).ifPresent(lines::add);
    return String.join("\n", lines);
  }

  private static String times(long n) {
    return n == 0
        ? "not reviewed yet"
        : n == 1 ? "reviewed once" : "reviewed %d times".formatted(n);
  }

  /** Mean pain before a session, in the first week that has one and in the last. */
  private static Optional<String> pain(LocalDate begun, LocalDate day, SessionService.Log log) {
    int weeks = (int) Math.min(MOST_WEEKS, ChronoUnit.WEEKS.between(begun, day) + 1);
    List<LookingBack.Week> known =
        LookingBack.of(day, weeks, log.sessions(), log.told().mornings()).weeks().stream()
            .filter(w -> w.before().isPresent())
            .toList();
    if (known.size() < 2) return Optional.empty();
    LookingBack.Week first = known.get(known.size() - 1);
    LookingBack.Week last = known.get(0);
    return Optional.of(
        "Mean pain before a session: %s in the week of %s, %s in that of %s."
            .formatted(
                History.number(first.before().getAsDouble()),
                Days.date(first.from()),
                History.number(last.before().getAsDouble()),
                Days.date(last.from())));
  }

  private String advice(Client client) {
    String program = program(client);
    return program.isEmpty() ? "" : "To go on with:\n" + program;
  }

  private String watchFor(Client client) {
    String signs =
        Stream.of(EmergencySign.values())
            .map(EmergencySign::label)
            .collect(Collectors.joining("\n– ", "– ", ""));
    String locked = locked(screenings.of(client));
    return (locked.isEmpty() ? "" : "Still to be left out: %s.\n".formatted(locked))
        + "To be seen at once with any of these:\n"
        + signs;
  }

  private String next(Client client) {
    LocalDate today = measurements.today(client);
    return reviews
        .due(client)
        .filter(day -> day.isAfter(today))
        .map(day -> "Next review planned for %s.".formatted(Days.date(day)))
        .orElse("");
  }
}
