package org.biokinet.app.measurement.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.measurement.History;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.measurement.PhotographService;
import org.biokinet.app.measurement.Picture;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.draw.SidePhotograph;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Posture;
import org.biokinet.core.measure.Visit;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Side photographs: taken in, marked, compared; and how steadily somebody marks. */
@Controller
class PostureController {

  /** A practice picture that nobody has to remember: drawn by the figure. */
  private static final double SAMPLE_ANGLE = 46;

  /** Nobody marks one picture more often. */
  private static final int MOST_REPEATS = 100;

  private final PhotographService photographs;
  private final MeasurementService measurements;
  private final ClientService clients;
  private final ClientHeader header;
  private final ObjectMapper json;

  PostureController(
      PhotographService photographs,
      MeasurementService measurements,
      ClientService clients,
      ClientHeader header,
      ObjectMapper json) {
    this.photographs = photographs;
    this.measurements = measurements;
    this.clients = clients;
    this.header = header;
    this.json = json;
  }

  /**
   * A marked photograph beside another: both as tall as the same neck.
   *
   * @param box around C7, a fixed number of ear-to-C7 lengths wide
   * @param lines from C7 to ear and shoulder, and level through C7 if the camera was
   */
  record Compared(
      UUID id,
      String day,
      int width,
      int height,
      String box,
      String lines,
      boolean mirrored,
      String angles) {}

  @GetMapping("/clients/{id}/measure/posture")
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String photograph,
      Model model) {
    header.show(me, id, Station.MEASURE, model);
    Client client = clients.get(me, id);
    boolean may = photographs.maySeePictures(me, client);
    model.addAttribute("may", may);
    List<PhotographService.Known> all = may ? photographs.all(me, id) : List.of();
    model.addAttribute("photographs", all);
    model.addAttribute("landmarks", Landmark.values());
    Map<UUID, Posture.Marks> marks = marks(client);
    all.stream()
        .filter(p -> photograph.isEmpty() || p.getId().toString().equals(photograph))
        .findFirst()
        .ifPresent(
            p -> {
              model.addAttribute("open", p);
              Optional.ofNullable(marks.get(p.getId()))
                  .ifPresent(
                      m -> {
                        model.addAttribute("marks", json(m));
                        model.addAttribute("angles", words(Posture.of(m)));
                      });
            });
    model.addAttribute("sides", Side.values());
    model.addAttribute("compared", compared(all, marks));
    model.addAttribute("verdict", verdict(me, all, marks));
    model.addAttribute("myError", photographs.myError(me).map(History::number).orElse(null));
    return "measurement/posture";
  }

  private String json(Posture.Marks marks) {
    try {
      return json.writeValueAsString(marks);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private Map<UUID, Posture.Marks> marks(Client client) {
    Map<UUID, Posture.Marks> marks = new LinkedHashMap<>();
    List<Visit> newestFirst = measurements.visits(client);
    for (int i = newestFirst.size() - 1; i >= 0; i--) {
      newestFirst
          .get(i)
          .of(Measured.SidePhoto.class)
          .forEach(p -> marks.put(p.photograph(), p.marks()));
    }
    return marks;
  }

  private static List<Compared> compared(
      List<PhotographService.Known> newestFirst, Map<UUID, Posture.Marks> marks) {
    List<Compared> compared = new ArrayList<>();
    List<PhotographService.Known> marked =
        newestFirst.stream().filter(p -> marks.containsKey(p.getId())).limit(2).toList();
    if (marked.size() < 2) return List.of();
    Side facing = marked.get(0).getFacing();
    for (int i = marked.size() - 1; i >= 0; i--) {
      PhotographService.Known p = marked.get(i);
      Posture.Marks m = Objects.requireNonNull(marks.get(p.getId()));
      double neck = Math.hypot(m.tragus().x() - m.c7().x(), m.tragus().y() - m.c7().y());
      boolean mirrored = p.getFacing() != facing;
      double x = mirrored ? -m.c7().x() : m.c7().x();
      String box =
          String.format(
              Locale.ROOT,
              "%.1f %.1f %.1f %.1f",
              x - 2.2 * neck,
              m.c7().y() - 2 * neck,
              4.4 * neck,
              5 * neck);
      compared.add(
          new Compared(
              p.getId(),
              Days.day(p.getDay()),
              p.getWidth(),
              p.getHeight(),
              box,
              String.format(
                  Locale.ROOT,
                  "M%.1f %.1f L%.1f %.1f L%.1f %.1f M%.1f %.1f h%.1f",
                  m.tragus().x(),
                  m.tragus().y(),
                  m.c7().x(),
                  m.c7().y(),
                  m.shoulder().x(),
                  m.shoulder().y(),
                  m.c7().x(),
                  m.c7().y(),
                  (p.getFacing() == Side.RIGHT ? 1.6 : -1.6) * neck),
              mirrored,
              words(Posture.of(m))));
    }
    return compared;
  }

  /** "unchanged" is said within the marker's own error, and nothing where that is not known. */
  private String verdict(
      Me me, List<PhotographService.Known> newestFirst, Map<UUID, Posture.Marks> marks) {
    List<Posture> two =
        newestFirst.stream()
            .map(p -> Optional.ofNullable(marks.get(p.getId())))
            .flatMap(Optional::stream)
            .map(Posture::of)
            .limit(2)
            .toList();
    if (two.size() < 2) return "";
    double by = two.get(0).craniovertebral() - two.get(1).craniovertebral();
    String change = String.format(Locale.ROOT, "%+.1f° since the one before", by);
    return photographs
        .myError(me)
        .map(
            e ->
                Math.abs(by) < e
                    ? change
                        + ": unchanged, within your marking error of "
                        + History.number(e)
                        + "°"
                    : change + ": more than your marking error of " + History.number(e) + "°")
        .orElse(change + "; measure your own marking error to know what that says");
  }

  static String words(Posture p) {
    return String.format(
        Locale.ROOT,
        "craniovertebral %.1f°%s, shoulder %.1f°",
        p.craniovertebral(),
        p.forwardHead() ? " (forward head)" : "",
        p.shoulder());
  }

  @PostMapping("/clients/{id}/measure/photographs")
  String upload(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String facing,
      @RequestParam(required = false) MultipartFile file,
      RedirectAttributes once)
      throws IOException {
    photographs.mayKeep(me, id); // before anything of it is read
    Optional<Side> side =
        Arrays.stream(Side.values()).filter(s -> s.name().equals(facing)).findFirst();
    String back = "redirect:/clients/" + id + "/measure/posture";
    once.addFlashAttribute("facing", facing);
    if (side.isEmpty()) {
      once.addFlashAttribute("uploadError", "Say which way the client faces on the picture.");
      return back;
    }
    try {
      Picture picture = Picture.of(file == null ? new byte[0] : file.getBytes());
      return back + "?photograph=" + photographs.keep(me, id, side.get(), picture);
    } catch (Picture.Refused refused) {
      once.addFlashAttribute("uploadError", refused.getMessage());
      return back;
    }
  }

  @GetMapping(
      path = "/clients/{id}/measure/photographs/{photograph}",
      produces = MediaType.IMAGE_JPEG_VALUE)
  ResponseEntity<byte[]> image(
      @AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID photograph) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .body(photographs.image(me, id, photograph));
  }

  @PostMapping("/clients/{id}/measure/photographs/{photograph}/withdraw")
  String withdraw(
      @AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID photograph) {
    photographs.withdraw(me, id, photograph);
    return "redirect:/clients/" + id + "/measure/posture?withdrawn";
  }

  /** Keeps marks and answers the angles in words, or what is wrong with the marks. */
  @PostMapping("/clients/{id}/measure/photographs/{photograph}/marks")
  @ResponseBody
  Map<String, String> mark(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable UUID photograph,
      @RequestBody Posture.Marks marks) {
    if (photographs.all(me, id).stream().noneMatch(p -> p.getId().equals(photograph))) {
      throw new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
    try {
      String words = words(Posture.of(marks));
      measurements.save(me, id, new Measured.SidePhoto(photograph, marks));
      return Map.of("angles", words);
    } catch (IllegalArgumentException e) {
      return Map.of("problem", String.valueOf(e.getMessage()));
    }
  }

  /** Marking one sample five times over tells how steady one's own marks are. */
  @GetMapping("/marking")
  String practise(@AuthenticationPrincipal Me me, Model model) {
    model.addAttribute("sample", SidePhotograph.of(SAMPLE_ANGLE, Side.RIGHT));
    model.addAttribute("landmarks", Landmark.values());
    model.addAttribute("repeats", Posture.LEAST_REPEATS);
    model.addAttribute("myError", photographs.myError(me).map(History::number).orElse(null));
    return "measurement/marking";
  }

  @PostMapping("/marking")
  @ResponseBody
  Map<String, String> practised(
      @AuthenticationPrincipal Me me, @RequestBody List<Posture.Marks> repeated) {
    if (repeated.size() > MOST_REPEATS || repeated.stream().anyMatch(Objects::isNull)) {
      throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
    }
    try {
      List<Double> angles = repeated.stream().map(m -> Posture.of(m).craniovertebral()).toList();
      OptionalDouble error = photographs.keepMyError(me, angles);
      if (error.isEmpty()) return Map.of("problem", "Mark it five times.");
      double off = angles.stream().mapToDouble(a -> a - SAMPLE_ANGLE).average().orElseThrow();
      return Map.of(
          "error",
          String.format(
              Locale.ROOT,
              "Your marking error is %.1f°; on average you marked %.1f° %s than the figure's true"
                  + " angle.",
              error.getAsDouble(),
              Math.abs(off),
              off < 0 ? "less" : "more"));
    } catch (IllegalArgumentException e) {
      return Map.of("problem", String.valueOf(e.getMessage()));
    }
  }
}
