package org.biokinet.app.review.web;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.workday.DayPlans;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.measure.Change;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Scale;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.progress.LookingBack;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.Tighter;
import org.springframework.context.MessageSource;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;

/** The client looks back, and takes the own data along. */
@Controller
@RequestMapping("/me/back")
class LookBackController {

  private static final int WEEKS = 8;
  private static final int CHART_DAYS = 28;

  /** A week in the table. */
  record WeekLine(
      String from, int sessions, String before, String morning, String highest, String felt) {}

  /**
   * An activity of the client's own.
   *
   * @param first score in this episode, or empty
   * @param last the newest, or empty
   * @param real whether the change is beyond error
   */
  record GoalLine(String activity, String first, String last, boolean real) {}

  /** Which side of an exercise was tighter, how often. */
  record TighterLine(String exercise, int left, int same, int right) {}

  private final SessionService sessions;
  private final VersionService versions;
  private final ClientService clients;
  private final PracticeService practices;
  private final MeasurementService measurements;
  private final WorkdayService workdays;
  private final DayPlans days;
  private final BesideWords beside;
  private final MessageSource messages;
  private final ObjectMapper json;
  private final Clock clock;

  LookBackController(
      SessionService sessions,
      VersionService versions,
      ClientService clients,
      PracticeService practices,
      MeasurementService measurements,
      WorkdayService workdays,
      DayPlans days,
      BesideWords beside,
      MessageSource messages,
      ObjectMapper json,
      Clock clock) {
    this.sessions = sessions;
    this.versions = versions;
    this.clients = clients;
    this.practices = practices;
    this.measurements = measurements;
    this.workdays = workdays;
    this.days = days;
    this.beside = beside;
    this.messages = messages;
    this.json = json;
    this.clock = clock;
  }

  @GetMapping
  String page(@AuthenticationPrincipal ClientMe me, Model model) {
    Client client = clients.byId(me.id());
    LocalDate today = today(me);
    LocalDate begun = LocalDate.ofInstant(client.episodeSince(), me.zone());
    LocalDate from = later(today.minusWeeks(WEEKS).plusDays(1), begun);
    // What was before this episode is not compared with it.
    SessionService.Log log = sessions.log(me.id(), from);
    List<Session> all = log.sessions();
    List<Morning> mornings =
        log.told().mornings().stream().filter(m -> !m.day().isBefore(from)).toList();
    LookingBack back = LookingBack.of(today, WEEKS, all, mornings);
    LocalDate first = later(today.minusDays(CHART_DAYS - 1L), begun);
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("said", back.said().map(s -> sentence(s, me.language())).orElse(""));
    model.addAttribute("done", done(all, today, me.language()));
    model.addAttribute("weeks", weeks(back, me.language()));
    model.addAttribute(
        "chart",
        Chart.of(
            first,
            today,
            all.stream().filter(s -> !s.day().isBefore(first)).toList(),
            mornings,
            versions.all(me.id()),
            me.zone()));
    model.addAttribute("goals", goals(client));
    model.addAttribute("beside", beside.all(me.id(), me.zone(), me.language()));
    model.addAttribute("tighter", tighter(client, all, me.language()));
    return "review/back";
  }

  private static LocalDate later(LocalDate a, LocalDate b) {
    return a.isAfter(b) ? a : b;
  }

  private LocalDate today(ClientMe me) {
    return LocalDate.ofInstant(clock.instant(), me.zone());
  }

  private String sentence(LookingBack.Said said, Locale language) {
    String key =
        "back.said.%s.%s".formatted(said.what(), said.change().better() ? "better" : "worse");
    long points = Math.round(Math.abs(said.change().by()));
    return messages.getMessage(key, new Object[] {points, said.weeksAgo()}, language);
  }

  /** A fact, whatever pain does: how much was done in four weeks. */
  private String done(List<Session> all, LocalDate today, Locale language) {
    List<Session> lately =
        all.stream().filter(s -> s.day().isAfter(today.minusDays(CHART_DAYS))).toList();
    int minutes = lately.stream().mapToInt(Session::secondsDone).sum() / 60;
    return messages.getMessage("back.done", new Object[] {lately.size(), minutes}, language);
  }

  private static List<WeekLine> weeks(LookingBack back, Locale language) {
    return back.weeks().stream()
        .filter(w -> w.sessions() > 0 || w.morning().isPresent())
        .map(
            w ->
                new WeekLine(
                    Days.day(w.from(), language),
                    w.sessions(),
                    number(w.before()),
                    number(w.morning()),
                    w.highest().map(String::valueOf).orElse("–"),
                    number(w.felt())))
        .toList();
  }

  private static String number(OptionalDouble mean) {
    return mean.isPresent() ? String.format(Locale.ROOT, "%.1f", mean.getAsDouble()) : "–";
  }

  private List<GoalLine> goals(Client client) {
    List<Goal> goals = clients.goals(client.getId());
    if (goals.isEmpty()) return List.of();
    List<Visit> visits = MeasurementService.ofEpisode(client, measurements.visits(client));
    return goals.stream()
        .map(
            g -> {
              List<Integer> scores =
                  visits.stream().flatMap(v -> v.activity(g.activity()).stream()).toList();
              if (scores.isEmpty()) return new GoalLine(g.activity(), "", "", false);
              int last = scores.get(0);
              int first = scores.get(scores.size() - 1);
              boolean real = Change.of(Scale.PSFS_ONE, first, last).beyondError();
              return new GoalLine(g.activity(), "" + first, "" + last, real);
            })
        .toList();
  }

  /** By what an exercise is called today, whatever version it was done in. */
  private List<TighterLine> tighter(Client client, List<Session> all, Locale language) {
    Map<String, Map<Tighter, Integer>> counts = new TreeMap<>();
    Map<ProgramVersion.Name, VersionService.Replay> replays = replays(client, all);
    for (Session s : all) {
      VersionService.Replay replay = replays.get(name(s));
      if (replay == null || s.checkIn().isEmpty()) continue;
      s.checkIn()
          .get()
          .tighter()
          .forEach(
              (item, side) -> {
                if (item < 0 || item >= replay.program().items().size()) return;
                counts
                    .computeIfAbsent(replay.name(item, language), k -> new EnumMap<>(Tighter.class))
                    .merge(side, 1, Integer::sum);
              });
    }
    return counts.entrySet().stream()
        .map(
            e ->
                new TighterLine(
                    e.getKey(),
                    e.getValue().getOrDefault(Tighter.LEFT, 0),
                    e.getValue().getOrDefault(Tighter.SAME, 0),
                    e.getValue().getOrDefault(Tighter.RIGHT, 0)))
        .sorted(Comparator.comparing(TighterLine::exercise))
        .toList();
  }

  private Map<ProgramVersion.Name, VersionService.Replay> replays(
      Client client, List<Session> all) {
    return versions.replays(
        client.getId(), all.stream().map(LookBackController::name).collect(Collectors.toSet()));
  }

  private static ProgramVersion.Name name(Session s) {
    return new ProgramVersion.Name(s.program(), s.version());
  }

  /** Everything that was done and told, as a file for other programs. */
  @GetMapping("/own-data.json")
  void asJson(@AuthenticationPrincipal ClientMe me, HttpServletResponse response)
      throws IOException {
    response.setContentType("application/json;charset=UTF-8");
    response.setHeader("Content-Disposition", "attachment; filename=\"own-data.json\"");
    json.writerWithDefaultPrettyPrinter().writeValue(response.getOutputStream(), data(me));
  }

  /** What was done of each exercise and side, as a table. */
  @GetMapping("/own-sessions.csv")
  void asCsv(@AuthenticationPrincipal ClientMe me, HttpServletResponse response)
      throws IOException {
    response.setContentType("text/csv;charset=UTF-8");
    response.setCharacterEncoding(StandardCharsets.UTF_8.name());
    response.setHeader("Content-Disposition", "attachment; filename=\"own-sessions.csv\"");
    CSVFormat format = CSVFormat.RFC4180.builder().setHeader(OwnData.COLUMNS).get();
    try (CSVPrinter csv = new CSVPrinter(response.getWriter(), format)) {
      for (OwnData.Done s : data(me).sessions()) {
        for (OwnData.Part p : s.items()) csv.printRecord(s.row(p));
      }
    }
  }

  private OwnData data(ClientMe me) {
    Client client = clients.byId(me.id());
    SessionService.Log log = sessions.log(me.id(), LocalDate.EPOCH);
    List<Session> all = log.sessions();
    Map<ProgramVersion.Name, VersionService.Replay> replays = replays(client, all);
    List<OwnData.Done> done = new ArrayList<>();
    for (Session s : all) {
      done.add(OwnData.Done.of(s, Optional.ofNullable(replays.get(name(s))), me.language()));
    }
    return new OwnData(
        OwnData.FORMAT,
        OwnData.VERSION,
        me.firstName(),
        me.zone().getId(),
        done,
        log.told().mornings().stream().map(OwnData.Morning::of).toList(),
        OwnData.Work.of(workdays.of(me.id()).usual()),
        days.told(me.id(), Instant.EPOCH, clock.instant()).stream().map(OwnData.Told::of).toList());
  }
}
