package org.biokinet.app.shell.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.biokinet.app.access.DeviceService;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Outbox;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Qr;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.program.Withdrawn;
import org.biokinet.app.teaching.TeachingService;
import org.biokinet.app.worklist.Standing;
import org.biokinet.app.worklist.StandingService;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Flare;
import org.biokinet.core.progress.Pause;
import org.biokinet.core.timeline.Timeline;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A client's page, where no other capability owns the station. */
@Controller
class StationController {

  /** The newest, on one page. */
  private static final int MAILS = 5;

  private static final int PAUSES = 3;

  private final ClientService clients;
  private final ClientHeader header;
  private final LinkService links;
  private final DeviceService devices;
  private final StandingService standings;
  private final AccountService accounts;
  private final VersionService versions;
  private final Audit audit;
  private final Outbox outbox;
  private final PauseService pauses;
  private final FlareService flares;
  private final TeachingService teaching;
  private final Clock clock;

  StationController(
      ClientService clients,
      ClientHeader header,
      LinkService links,
      DeviceService devices,
      StandingService standings,
      AccountService accounts,
      VersionService versions,
      Audit audit,
      Outbox outbox,
      PauseService pauses,
      FlareService flares,
      TeachingService teaching,
      Clock clock) {
    this.clients = clients;
    this.header = header;
    this.links = links;
    this.devices = devices;
    this.standings = standings;
    this.accounts = accounts;
    this.versions = versions;
    this.audit = audit;
    this.outbox = outbox;
    this.pauses = pauses;
    this.flares = flares;
    this.teaching = teaching;
    this.clock = clock;
  }

  @GetMapping("/clients/{id}")
  String client(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    return "redirect:/clients/" + clients.get(me, id).getId() + "/plan";
  }

  /** Sends one of the client's devices away. */
  @PostMapping("/clients/{id}/devices/{device}/end")
  String endDevice(
      @AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID device) {
    devices.end(me, id, device);
    return "redirect:/clients/" + id + "/do";
  }

  /** Whether the client is asked every day how the joints move. */
  @PostMapping("/clients/{id}/self-check")
  String selfCheck(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "false") boolean asked) {
    clients.askSelfCheck(me, id, asked);
    return "redirect:/clients/" + id + "/do";
  }

  /** Whether the client is asked every week where it hurts. */
  @PostMapping("/clients/{id}/weekly-map")
  String weeklyMap(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "false") boolean asked) {
    clients.askMap(me, id, asked);
    return "redirect:/clients/" + id + "/do";
  }

  @GetMapping("/clients/{id}/do")
  String handOver(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = header.show(me, id, Station.DO, model);
    List<ProgramVersion> newestFirst =
        versions.all(id).stream()
            .sorted(Comparator.comparing(ProgramVersion::sharedAt).reversed())
            .toList();
    model.addAttribute("versions", newestFirst);
    mails(client, model);
    Map<ProgramVersion.Name, Withdrawn> withdrawn = versions.withdrawn(id);
    Map<ProgramVersion.Name, String> withdrawnOn = new HashMap<>();
    withdrawn.forEach((name, w) -> withdrawnOn.put(name, when(w.at(), client)));
    model.addAttribute("withdrawn", withdrawn);
    model.addAttribute("withdrawnOn", withdrawnOn);
    model.addAttribute(
        "inForce",
        versions.inForce(client).replays().values().stream()
            .map(r -> r.version().name())
            .sorted(Comparator.comparing(ProgramVersion.Name::program))
            .toList());
    model.addAttribute(
        "compared", newestFirst.stream().map(ProgramVersion::program).distinct().sorted().toList());
    model.addAttribute(
        "sharedOn",
        newestFirst.stream()
            .map(v -> Days.when(v.sharedAt(), clock.instant(), client.zone()))
            .toList());
    model.addAttribute(
        "clock", newestFirst.stream().map(v -> Timeline.clock(v.seconds())).toList());
    Standing standing = standings.of(client, clock.instant());
    List<Pause> paused = rest(client, model);
    DeviceLine.Changes changes = new DeviceLine.Changes(newestFirst, withdrawn.values(), paused);
    model.addAttribute(
        "devices",
        devices.of(id, "").stream()
            .map(d -> DeviceLine.of(d, changes, clock.instant(), client.zone()))
            .toList());
    model.addAttribute(
        "notes",
        teaching.notes(id).stream()
            .map(n -> new Also(accounts.practitionerName(n.by()), when(n.at(), client), n.note()))
            .toList());
    model.addAttribute("paused", standing.isPaused());
    if (standing.called().isPresent()) {
      clients.lastCall(id).ifPresent(c -> model.addAttribute("called", called(c, client.zone())));
    }
    if (!standing.open().isEmpty()) model.addAttribute("read", standing.open().get(0).at());
    model.addAttribute("also", also(standing, client.zone()));
    standing.linkMade().ifPresent(at -> model.addAttribute("linkMade", when(at, client)));
    standing.linkOpened().ifPresent(at -> model.addAttribute("linkOpened", when(at, client)));
    return "shell/do";
  }

  private List<Pause> rest(Client client, Model model) {
    Instant now = clock.instant();
    LocalDate today = LocalDate.ofInstant(now, client.zone());
    model.addAttribute("today", today);
    List<Pause> newest = pauses.all(client.getId()).stream().limit(PAUSES).toList();
    model.addAttribute("pauses", newest.stream().map(p -> PauseLine.of(p, today)).toList());
    flares
        .newest(client.getId())
        .filter(Flare::lasts)
        .ifPresent(
            f -> {
              model.addAttribute("flareSince", when(f.begun(), client));
              model.addAttribute("flareUntil", Days.day(f.until(), client.zone()));
            });
    return newest;
  }

  /**
   * A pause on the page.
   *
   * @param open whether it is to come or lasts
   */
  record PauseLine(String words, String days, boolean fever, boolean open) {
    static PauseLine of(Pause p, LocalDate today) {
      return new PauseLine(
          p.kind().words(),
          "%s to %s".formatted(Days.day(p.from()), Days.day(p.last())),
          p.fever(),
          !p.over(today));
    }
  }

  private String when(Instant at, Client client) {
    return Days.when(at, clock.instant(), client.zone());
  }

  /** Something open that does not stand at the head already. */
  record Also(String what, String when, String detail) {}

  private List<Also> also(Standing standing, ZoneId zone) {
    return standing.open().stream()
        .filter(o -> o.as() != standing.attention())
        .map(o -> new Also(what(o.as()), Days.when(o.at(), clock.instant(), zone), o.detail()))
        .toList();
  }

  private static String what(Attention as) {
    return switch (as) {
      case STOPPED -> "stopped";
      case WHILE_CLOSED -> "done while closed";
      case MAP_ASKS -> "marked on the body map";
      case FLARE_EXAMINE -> "examine the flare";
      case MESSAGE -> "wrote";
      case BY_ITSELF -> "by itself";
      case NEW_SYMPTOM -> "new on the body map";
      default -> "too sore to start";
    };
  }

  private String called(ClientService.Call call, ZoneId zone) {
    return "%s, %s: %s"
        .formatted(
            Days.when(call.at(), clock.instant(), zone),
            accounts.practitionerName(call.practitionerId()),
            call.note());
  }

  /** A shared version as the open document, which the command line compiles to the same second. */
  @GetMapping(
      path = "/clients/{id}/versions/{number}.json",
      produces = MediaType.APPLICATION_JSON_VALUE)
  @ResponseBody
  String document(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable int number,
      @RequestParam(defaultValue = "MAIN") ProgramKind program) {
    Client client = clients.get(me, id);
    ProgramVersion.Name name = new ProgramVersion.Name(program, number);
    audit.saw(me, id, "version " + name.words());
    return versions.of(client.getId(), name).orElseThrow(NotFound::new).version().document();
  }

  @PostMapping("/clients/{id}/link")
  String makeLink(@AuthenticationPrincipal Me me, @PathVariable UUID id, RedirectAttributes once) {
    LinkService.Made made = links.make(me, id);
    String address = links.address(made.token());
    once.addFlashAttribute("link", address);
    once.addFlashAttribute("linkCode", Qr.svg(address, "For the camera of a phone"));
    once.addFlashAttribute("pin", made.pin());
    once.addFlashAttribute("token", made.token());
    once.addFlashAttribute("letter", UUID.randomUUID());
    return "redirect:/clients/" + id + "/do";
  }

  /** Mails the link that was just made. */
  @PostMapping("/clients/{id}/link/mail")
  String mailLink(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String token,
      @RequestParam UUID letter,
      Model model,
      HttpServletResponse response) {
    links
        .mail(me, id, token, letter)
        .ifPresent(
            why -> {
              response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
              model.addAttribute("notMailed", why);
            });
    return mails(me, id, model);
  }

  /** What was mailed, and what became of it. */
  @GetMapping("/clients/{id}/link/mails")
  String mails(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = clients.get(me, id);
    audit.sawPart(me, id, "mails");
    mails(client, model);
    return "access/made :: mails";
  }

  private void mails(Client client, Model model) {
    model.addAttribute("client", client);
    model.addAttribute("mailReady", outbox.ready());
    Instant now = clock.instant();
    model.addAttribute(
        "mails",
        outbox.of(client.getId(), Letter.Kind.LINK).stream()
            .limit(MAILS)
            .map(p -> MailView.of(p, now, client.zone()))
            .toList());
  }

  @PostMapping("/clients/{id}/pin")
  String newPin(@AuthenticationPrincipal Me me, @PathVariable UUID id, RedirectAttributes once) {
    links.newPin(me, id).ifPresent(pin -> once.addFlashAttribute("pin", pin));
    return "redirect:/clients/" + id + "/do";
  }

  /**
   * @param what "called" leaves it open; anything else is its outcome
   * @param read when the newest came in that stood on the page; what is newer stays open
   */
  @PostMapping("/clients/{id}/dealt-with")
  String dealtWith(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String note,
      @RequestParam(defaultValue = "") String what,
      @RequestParam(defaultValue = "1970-01-01T00:00:00Z") Instant read,
      RedirectAttributes once) {
    String text = note.strip();
    if (text.isEmpty() || text.length() > 500) {
      once.addFlashAttribute("noteTyped", note);
      once.addFlashAttribute(
          "noteError",
          text.isEmpty() ? "Write what you did: called, saw, wrote." : "At most 500 characters.");
    } else if (what.equals("called")) {
      clients.called(me, id, text);
    } else if (!clients.dealtWith(me, id, read, text)) {
      once.addFlashAttribute("noteTyped", note);
      once.addFlashAttribute(
          "noteError", "Something came in since you opened this page. Read it first.");
    }
    return "redirect:/clients/" + id + "/do";
  }
}
