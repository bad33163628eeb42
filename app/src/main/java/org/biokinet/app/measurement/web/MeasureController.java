package org.biokinet.app.measurement.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.History;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Examination;
import org.biokinet.core.measure.GlobalRating;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Questionnaire;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.measure.Scale;
import org.biokinet.core.measure.Visit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The Measure station: a visit, saved as it goes on. */
@Controller
@RequestMapping("/clients/{id}/measure")
class MeasureController {

  private static final int LONGEST_FINDING = 200;
  private static final int LONGEST_HOLD = 600;

  private final MeasurementService measurements;
  private final ClientService clients;
  private final AccountService accounts;
  private final LibraryService library;
  private final ClientHeader header;

  MeasureController(
      MeasurementService measurements,
      ClientService clients,
      AccountService accounts,
      LibraryService library,
      ClientHeader header) {
    this.measurements = measurements;
    this.clients = clients;
    this.accounts = accounts;
    this.library = library;
    this.header = header;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    show(me, header.show(me, id, Station.MEASURE, model), model);
    return "measurement/measure";
  }

  private void show(Me me, Client client, Model model) {
    UUID id = client.getId();
    LocalDate today = measurements.today(client);
    List<Visit> visits = measurements.visits(client);
    List<Visit> all = MeasurementService.ofEpisode(client, visits);
    Visit visit =
        all.stream()
            .filter(v -> v.day().equals(today))
            .findFirst()
            .orElse(new Visit(today, List.of()));
    List<Goal> goals = clients.goals(id);
    PainMap map = visit.map(false).orElse(PainMap.EMPTY);
    boolean facing = accounts.usesFacingView(me);
    model.addAttribute("client", client);
    model.addAttribute("page", MeasurePage.of(visit, all, goals));
    model.addAttribute(
        "maps", List.of(MapView.of(View.FRONT, map, facing), MapView.of(View.BACK, map, facing)));
    model.addAttribute("facing", facing);
    model.addAttribute("feelings", PainMap.Feeling.values());
    model.addAttribute("sides", Side.values());
    model.addAttribute("mostReadings", Readings.MOST_TRIES);
    model.addAttribute("questions", Examination.Question.values());
    model.addAttribute(
        "findings", measurements.findings(client, all, library.of(client.practice())));
    model.addAttribute("questionnaires", Questionnaire.values());
    model.addAttribute("visits", visits.size());
  }

  /** What changes with every value: fans, scores, findings, and the message at its field. */
  private String live(
      Me me, UUID id, String field, String message, HttpServletResponse response, Model model) {
    show(me, clients.get(me, id), model);
    model.addAttribute("field", field);
    model.addAttribute("message", message);
    if (!message.isEmpty()) response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return "measurement/measure-parts :: live";
  }

  @PostMapping("/range")
  String range(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String motion,
      @RequestParam(defaultValue = "") String side,
      @RequestParam(defaultValue = "") String readings,
      @RequestParam(defaultValue = "false") boolean strict,
      @RequestParam(defaultValue = "false") boolean device,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    Motion of = Coded.find(Motion.class, motion).orElseThrow(MeasureController::bad);
    @Nullable Side on = of.hasSides() ? side(side) : null;
    Readings.Reading read =
        Readings.parse(readings, of, strict ? Readings.Protocol.STRICT : Readings.Protocol.USUAL);
    String message = "";
    if (read instanceof Readings.Reading.Fault fault) message = fault.why();
    if (read instanceof Readings.Reading.Ok ok) {
      Measured.Source source = device ? Measured.Source.INCLINOMETER : Measured.Source.TYPED;
      measurements.save(me, id, new Measured.Range(of, on, ok.readings(), source));
    }
    return live(me, id, "range-" + motion + "-" + side, message, response, model);
  }

  @PostMapping("/pain")
  String pain(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String now,
      @RequestParam(defaultValue = "") String best,
      @RequestParam(defaultValue = "") String worst,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    Optional<Integer> n = number(now, 0, 10);
    Optional<Integer> b = number(best, 0, 10);
    Optional<Integer> w = number(worst, 0, 10);
    String message = "";
    if (n.isEmpty() || (b.isEmpty() && !best.isBlank()) || (w.isEmpty() && !worst.isBlank())) {
      message = "Whole numbers from 0 to 10; now comes first.";
    } else if (b.isPresent() && w.isPresent() && b.get() > w.get()) {
      message = "The best is not above the worst.";
    } else {
      measurements.save(me, id, new Measured.Pain(n.get(), b.orElse(null), w.orElse(null)));
    }
    return live(me, id, "pain", message, response, model);
  }

  @PostMapping("/activity")
  String activity(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String activity,
      @RequestParam(defaultValue = "") String rated,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    boolean known = clients.goals(id).stream().anyMatch(g -> g.activity().equals(activity));
    Optional<Integer> value = number(rated, 0, 10);
    String message = "";
    if (!known) message = "This goal has changed; open the page again.";
    else if (value.isEmpty()) message = "A whole number from 0 to 10.";
    else measurements.save(me, id, new Measured.Activity(activity, value.get()));
    return live(me, id, "activity", message, response, model);
  }

  @PostMapping("/mark")
  String mark(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String line,
      @RequestParam(defaultValue = "") String area,
      @RequestParam(defaultValue = "") String side,
      @RequestParam(defaultValue = "ache") String feeling,
      @RequestParam(defaultValue = "-1") int intensity,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    String message = "";
    if (!line.isBlank()) {
      PainMap.Reading read = PainMap.parse(line);
      if (read instanceof PainMap.Reading.Ok ok) {
        measurements.mark(me, id, ok.mark(), false);
      } else {
        message = ((PainMap.Reading.Fault) read).why();
      }
    } else {
      BodyArea at = BodyArea.find(area).orElseThrow(MeasureController::bad);
      PainMap.Feeling felt =
          Coded.find(PainMap.Feeling.class, feeling).orElseThrow(MeasureController::bad);
      if (!TenPoint.valid(intensity)) throw bad();
      measurements.mark(
          me, id, new PainMap.Mark(at, side(side), felt, Math.max(1, intensity)), intensity == 0);
    }
    return live(me, id, "mark", message, response, model);
  }

  @PostMapping("/endurance")
  String endurance(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String seconds,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    Optional<Integer> held = number(seconds, 0, LONGEST_HOLD);
    held.ifPresent(s -> measurements.save(me, id, new Measured.Endurance(s)));
    String message = held.isPresent() ? "" : "Whole seconds, up to 600.";
    return live(me, id, "endurance", message, response, model);
  }

  @PostMapping("/form")
  String form(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam Questionnaire questionnaire,
      @RequestParam MultiValueMap<String, String> sent,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    List<@Nullable Integer> items = new ArrayList<>();
    String message = "";
    for (int i = 0; i < questionnaire.topics().size(); i++) {
      String typed = Objects.requireNonNullElse(sent.getFirst("item-" + i), "").strip();
      Optional<Integer> value = number(typed, questionnaire.least(), questionnaire.most());
      if (value.isEmpty() && !typed.isEmpty()) {
        message =
            "%s: %d to %d, or nothing."
                .formatted(
                    questionnaire.topics().get(i), questionnaire.least(), questionnaire.most());
      }
      items.add(value.orElse(null));
    }
    if (message.isEmpty()) {
      boolean arm = "true".equals(sent.getFirst("arm"));
      measurements.save(me, id, new Measured.Form(questionnaire, items, arm));
    }
    return live(me, id, "form-" + questionnaire, message, response, model);
  }

  @PostMapping("/examination")
  String examination(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam MultiValueMap<String, String> sent,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    Map<String, String> answers = new LinkedHashMap<>();
    for (String key : Examination.keys()) {
      answers.put(key, Objects.requireNonNullElse(sent.getFirst(key), ""));
    }
    Examination examination = new Examination(answers);
    Map<String, String> faults = examination.faults();
    if (faults.isEmpty()) {
      measurements.save(me, id, new Measured.Examined(examination.answers()));
    }
    String message =
        faults.entrySet().stream()
            .findFirst()
            .map(f -> "Not kept: %s. %s".formatted(f.getKey().replace('-', ' '), f.getValue()))
            .orElse("");
    return live(me, id, "examination", message, response, model);
  }

  @PostMapping("/global")
  String global(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String value,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    Optional<Integer> rating =
        value.strip().matches("[-+−]?\\d")
            ? Optional.of(Integer.parseInt(value.strip().replace('−', '-')))
            : Optional.empty();
    rating = rating.filter(GlobalRating::valid);
    rating.ifPresent(v -> measurements.save(me, id, new Measured.Global(v)));
    String message = rating.isPresent() ? "" : "From -7, much worse, to 7, much better.";
    return live(me, id, "global", message, response, model);
  }

  @PostMapping("/finding")
  String finding(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String code,
      @RequestParam(defaultValue = "false") boolean confirmed,
      @RequestParam(defaultValue = "") String words,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    String message = "";
    if (!code.isBlank()) {
      boolean known = measurements.decide(me, id, code, confirmed);
      if (!known) message = "This finding has changed; open the page again.";
    } else if (words.isBlank() || words.length() > LONGEST_FINDING) {
      message = "Say it in up to %d characters.".formatted(LONGEST_FINDING);
    } else measurements.add(me, id, words.strip());
    return live(me, id, "finding", message, response, model);
  }

  /** From which side the front of the map is seen; kept for the person. */
  @PostMapping("/view")
  String view(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "false") boolean facing,
      HttpServletResponse response,
      Model model) {
    clients.get(me, id);
    accounts.useFacingView(me, facing);
    return live(me, id, "view", "", response, model);
  }

  /** Every measure of every visit, with the change that matters marked. */
  @GetMapping("/history")
  String history(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = header.show(me, id, Station.MEASURE, model);
    model.addAttribute("scales", Scale.values());
    model.addAttribute("history", History.of(measurements.visits(client)));
    return "measurement/history";
  }

  private static Side side(String sent) {
    return Arrays.stream(Side.values())
        .filter(s -> s.name().equals(sent))
        .findFirst()
        .orElseThrow(MeasureController::bad);
  }

  private static Optional<Integer> number(String typed, int least, int most) {
    if (!typed.strip().matches("\\d{1,3}")) return Optional.empty();
    return Optional.of(Integer.parseInt(typed.strip())).filter(v -> v >= least && v <= most);
  }

  private static ResponseStatusException bad() {
    return new ResponseStatusException(HttpStatus.BAD_REQUEST);
  }
}
