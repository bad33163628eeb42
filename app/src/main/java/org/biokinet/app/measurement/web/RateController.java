package org.biokinet.app.measurement.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.GlobalRating;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.PainMap;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The client rates pain, the own activities and the change, through the link. */
@Controller
@RequestMapping("/me/rate")
class RateController {

  private final MeasurementService measurements;
  private final ClientService clients;
  private final PracticeService practices;

  RateController(
      MeasurementService measurements, ClientService clients, PracticeService practices) {
    this.measurements = measurements;
    this.clients = clients;
    this.practices = practices;
  }

  @GetMapping
  String ask(@AuthenticationPrincipal ClientMe me, Model model) {
    return show(me, Map.of(), "", model);
  }

  /** What is left out is left out; at least one answer is sent. */
  @PostMapping
  String answer(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam MultiValueMap<String, String> sent,
      Model model,
      HttpServletResponse response) {
    List<Measured> measured = new ArrayList<>();
    Optional<Integer> now = number(sent, "now", 0, 10);
    Optional<Integer> worst = number(sent, "worst", 0, 10);
    now.ifPresent(n -> measured.add(new Measured.Pain(n, null, worst.orElse(null))));
    List<Goal> goals = clients.goals(me.id());
    for (int i = 0; i < goals.size(); i++) {
      String activity = goals.get(i).activity();
      number(sent, "goal-" + i, 0, 10)
          .ifPresent(v -> measured.add(new Measured.Activity(activity, v)));
    }
    number(sent, "global", -GlobalRating.MOST, GlobalRating.MOST)
        .ifPresent(v -> measured.add(new Measured.Global(v)));
    if (measured.isEmpty() || (worst.isPresent() && now.isEmpty())) {
      Map<String, String> typed = new LinkedHashMap<>();
      sent.forEach((k, v) -> typed.put(k, Objects.toString(v.get(0), "")));
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      return show(me, typed, measured.isEmpty() ? "rate.nothing" : "rate.now.first", model);
    }
    measured.forEach(m -> measurements.save(me, m));
    return "redirect:/me/rate?sent";
  }

  private static Optional<Integer> number(
      MultiValueMap<String, String> sent, String name, int least, int most) {
    String typed = Objects.requireNonNullElse(sent.getFirst(name), "");
    if (!typed.matches("-?\\d{1,2}")) return Optional.empty();
    return Optional.of(Integer.parseInt(typed)).filter(v -> v >= least && v <= most);
  }

  private String show(ClientMe me, Map<String, String> typed, String problem, Model model) {
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("goals", clients.goals(me.id()));
    model.addAttribute("typed", typed);
    model.addAttribute("problem", problem);
    List<GlobalRating> ratings = new ArrayList<>();
    for (int v = GlobalRating.MOST; v >= -GlobalRating.MOST; v--) ratings.add(new GlobalRating(v));
    model.addAttribute("ratings", ratings);
    return "measurement/rate";
  }

  /** The client's own body map. */
  @GetMapping("/map")
  String map(@AuthenticationPrincipal ClientMe me, Model model) {
    PainMap map = measurements.ownMap(clients.byId(me.id()));
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute(
        "maps", List.of(MapView.of(View.FRONT, map, false), MapView.of(View.BACK, map, false)));
    model.addAttribute("marks", map.strongest());
    model.addAttribute("feelings", PainMap.Feeling.values());
    return "measurement/own-map";
  }

  /** Nothing to mark this week. */
  @PostMapping("/map/later")
  String later(@AuthenticationPrincipal ClientMe me) {
    clients.mapAsked(me);
    return "redirect:/me/today";
  }

  @PostMapping("/map")
  String mark(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "") String area,
      @RequestParam(defaultValue = "") String side,
      @RequestParam(defaultValue = "ache") String feeling,
      @RequestParam(defaultValue = "-1") int intensity) {
    Optional<BodyArea> at = BodyArea.find(area);
    Optional<PainMap.Feeling> felt = Coded.find(PainMap.Feeling.class, feeling);
    boolean known = side.equals("LEFT") || side.equals("RIGHT");
    if (at.isPresent() && felt.isPresent() && known && TenPoint.valid(intensity)) {
      PainMap.Mark mark =
          new PainMap.Mark(at.get(), Side.valueOf(side), felt.get(), Math.max(1, intensity));
      if (measurements.mark(me, mark, intensity == 0)) return "redirect:/me/renew?map=1";
    }
    return "redirect:/me/rate/map";
  }
}
