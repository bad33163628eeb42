package org.biokinet.app.offline.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.biokinet.app.access.ClientDeviceFilter;
import org.biokinet.app.access.DeviceService;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.offline.ClientFiles;
import org.biokinet.app.offline.KeptPages;
import org.biokinet.app.offline.KeptService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.PracticeService;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** What a client's device keeps to be used without a network, and which devices there are. */
@Controller
@RequestMapping("/me")
class KeptController {

  /** The ground of every page, as the styles have it. */
  private static final String PAPER = "#f6f2ea";

  private final KeptService kept;
  private final ClientFiles files;
  private final DeviceService devices;
  private final LinkService links;
  private final ClientService clients;
  private final PracticeService practices;
  private final ObjectMapper json;
  private final Clock clock;

  KeptController(
      KeptService kept,
      ClientFiles files,
      DeviceService devices,
      LinkService links,
      ClientService clients,
      PracticeService practices,
      ObjectMapper json,
      Clock clock) {
    this.kept = kept;
    this.files = files;
    this.devices = devices;
    this.links = links;
    this.clients = clients;
    this.practices = practices;
    this.json = json;
    this.clock = clock;
  }

  /** Another one as soon as any file is: then devices take it over. */
  @GetMapping("/worker.js")
  ResponseEntity<String> worker() throws JsonProcessingException {
    List<Map<String, String>> list =
        files.all().stream()
            .map(f -> f.revision().isEmpty() ? Map.of("url", f.url()) : entry(f))
            .toList();
    String known = "self.KEPT_FILES=%s;\n".formatted(json.writeValueAsString(list));
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noCache())
        .contentType(MediaType.valueOf("text/javascript;charset=UTF-8"))
        .body(known + files.worker());
  }

  private static Map<String, String> entry(ClientFiles.File f) {
    return Map.of("url", f.url(), "revision", f.revision());
  }

  /** How the pages stand on a home screen. */
  @GetMapping(path = "/app.webmanifest", produces = "application/manifest+json")
  @ResponseBody
  Map<String, Object> manifest() {
    return Map.of(
        "name", "Biokinet",
        "short_name", "Biokinet",
        "id", "/me/today",
        "start_url", "/me/today",
        "scope", "/me/",
        "display", "standalone",
        "background_color", PAPER,
        "theme_color", PAPER,
        "icons", List.of(icon(192), icon(512)));
  }

  private static Map<String, String> icon(int size) {
    return Map.of(
        "src",
        "/built/icon-%d.png".formatted(size),
        "sizes",
        "%dx%d".formatted(size, size),
        "type",
        "image/png",
        "purpose",
        "any");
  }

  /** For whom the device asks for the PIN, is not known here. */
  @GetMapping("/without-network")
  String locked() {
    return "offline/locked";
  }

  /** A device asks what it is to keep: from then on it knows what there is now. */
  @GetMapping("/kept")
  @ResponseBody
  KeptPages kept(
      @AuthenticationPrincipal ClientMe me,
      @CookieValue(name = ClientDeviceFilter.COOKIE) String cookie) {
    devices.synced(cookie);
    return kept.of(clients.byId(me.id()), files.mark());
  }

  /** Shown by a device that has not spoken with the server for too long. */
  @GetMapping("/lease-over")
  String over(@AuthenticationPrincipal ClientMe me, Model model) {
    who(me, model);
    return "offline/over";
  }

  /** This telephone and the others. */
  @GetMapping("/phone")
  String phone(
      @AuthenticationPrincipal ClientMe me,
      @CookieValue(name = ClientDeviceFilter.COOKIE) String cookie,
      Model model) {
    who(me, model);
    model.addAttribute(
        "devices",
        devices.of(me.id(), cookie).stream()
            .map(
                d ->
                    new Line(
                        d.id(),
                        d.here(),
                        Days.when(d.letInAt(), clock.instant(), me.zone()),
                        d.syncedAt()
                            .map(at -> Days.when(at, clock.instant(), me.zone()))
                            .orElse("")))
            .toList());
    return "offline/phone";
  }

  /**
   * A device on the page.
   *
   * @param synced empty where it never was
   */
  record Line(UUID id, boolean here, String since, String synced) {}

  /** The PIN that opens what is kept, for a device that was let in before it kept anything. */
  @PostMapping("/phone")
  String keep(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "") String pin,
      @CookieValue(name = ClientDeviceFilter.COOKIE) String cookie,
      HttpServletResponse response,
      Model model) {
    LinkService.Opening opening = links.choose(cookie, me.id(), pin);
    if (opening instanceof LinkService.Opening.Opened) return "redirect:/me/phone?kept";
    boolean wait = opening instanceof LinkService.Opening.Wait;
    HttpStatus status = wait ? HttpStatus.TOO_MANY_REQUESTS : HttpStatus.UNPROCESSABLE_ENTITY;
    response.setStatus(status.value());
    model.addAttribute("why", wait ? "wait" : "wrong");
    return phone(me, cookie, model);
  }

  /** A device that was lost, or is somebody else's by now. */
  @PostMapping("/phone/{device}/end")
  String end(@AuthenticationPrincipal ClientMe me, @PathVariable UUID device) {
    devices.end(me, device);
    return "redirect:/me/phone?ended";
  }

  private void who(ClientMe me, Model model) {
    model.addAttribute("practice", practices.practice(me.practiceId()));
  }
}
