package org.biokinet.app.worklist;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Past;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientEvent;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.History;
import org.biokinet.app.client.LinkService;
import org.biokinet.app.client.Station;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.support.Days;
import org.biokinet.app.support.NotFound;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A client's page, where no other capability owns the station; and new clients. */
@Controller
class StationController {

  /** What is typed for a new client. */
  record NewClient(
      @NotBlank(message = "A name is needed.") @Size(max = 120, message = "At most 120 characters.")
          String name,
      @Nullable
          @DateTimeFormat(iso = DateTimeFormat.ISO.DATE)
          @Past(message = "A birth date lies in the past.")
          LocalDate birthDate,
      @Size(max = 160, message = "At most 160 characters.") String work,
      String zone) {}

  private final ClientService clients;
  private final ClientHeader header;
  private final LinkService links;
  private final VersionService versions;
  private final Clock clock;

  StationController(
      ClientService clients,
      ClientHeader header,
      LinkService links,
      VersionService versions,
      Clock clock) {
    this.clients = clients;
    this.header = header;
    this.links = links;
    this.versions = versions;
    this.clock = clock;
  }

  @GetMapping("/clients/{id}")
  String client(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    return "redirect:/clients/" + clients.get(me, id).getId() + "/plan";
  }

  @GetMapping("/clients/{id}/measure")
  String measure(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    header.show(me, id, Station.MEASURE, model);
    return "worklist/station-later";
  }

  @GetMapping("/clients/{id}/do")
  String handOver(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    header.show(me, id, Station.DO, model);
    Client client = clients.get(me, id);
    List<ProgramVersion> newestFirst =
        versions.all(id).stream()
            .sorted(Comparator.comparingInt(ProgramVersion::number).reversed())
            .toList();
    model.addAttribute("versions", newestFirst);
    model.addAttribute(
        "sharedOn",
        newestFirst.stream()
            .map(v -> Days.when(v.sharedAt(), clock.instant(), client.zone()))
            .toList());
    model.addAttribute(
        "clock", newestFirst.stream().map(v -> Timeline.clock(v.seconds())).toList());
    History history = clients.history(id);
    model.addAttribute("paused", history.paused());
    model.addAttribute(
        "open",
        history.paused()
            || history.open(ClientEvent.Kind.PAIN_TOO_HIGH).isPresent()
            || history.open(ClientEvent.Kind.WHILE_CLOSED).isPresent());
    links
        .current(id)
        .ifPresent(
            l -> {
              model.addAttribute("linkMade", Days.when(l.madeAt(), clock.instant(), client.zone()));
              model.addAttribute(
                  "linkOpened",
                  l.openedAt()
                      .map(at -> Days.when(at, clock.instant(), client.zone()))
                      .orElse(null));
            });
    return "worklist/do";
  }

  /** A shared version as the open document, which the command line compiles to the same second. */
  @GetMapping(
      path = "/clients/{id}/versions/{number}.json",
      produces = MediaType.APPLICATION_JSON_VALUE)
  @ResponseBody
  String document(@AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable int number) {
    Client client = clients.get(me, id);
    return versions.number(client.getId(), number).orElseThrow(NotFound::new).version().document();
  }

  @PostMapping("/clients/{id}/link")
  String makeLink(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      HttpServletRequest request,
      RedirectAttributes once) {
    LinkService.Made made = links.make(me, id);
    String port =
        request.getServerPort() == 80 || request.getServerPort() == 443
            ? ""
            : ":" + request.getServerPort();
    once.addFlashAttribute(
        "link",
        "%s://%s%s/c/%s"
            .formatted(request.getScheme(), request.getServerName(), port, made.token()));
    once.addFlashAttribute("pin", made.pin());
    return "redirect:/clients/" + id + "/do";
  }

  @PostMapping("/clients/{id}/dealt-with")
  String dealtWith(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String note,
      RedirectAttributes once) {
    String text = note.strip();
    if (text.isEmpty() || text.length() > 500) {
      once.addFlashAttribute("noteTyped", note);
      once.addFlashAttribute(
          "noteError",
          text.isEmpty() ? "Write what you did: called, saw, wrote." : "At most 500 characters.");
    } else {
      clients.dealtWith(me, id, text);
    }
    return "redirect:/clients/" + id + "/do";
  }

  @GetMapping("/clients/new")
  String newClient(@AuthenticationPrincipal Me me, Model model) {
    model.addAttribute("form", new NewClient("", null, "", me.zone()));
    return "worklist/new-client";
  }

  @PostMapping("/clients/new")
  String add(
      @AuthenticationPrincipal Me me,
      @Valid @ModelAttribute("form") NewClient form,
      BindingResult problems) {
    ZoneId zone = null;
    try {
      zone = ZoneId.of(form.zone().strip());
    } catch (DateTimeException e) {
      problems.rejectValue("zone", "zone", "A time zone such as Europe/Lisbon.");
    }
    if (problems.hasErrors() || zone == null) return "worklist/new-client";
    Client client =
        clients.add(
            me,
            form.name().strip(),
            form.birthDate(),
            form.work().strip(),
            zone,
            Pacing.DEFAULT_BREATH_SECONDS);
    return "redirect:/clients/" + client.getId() + "/screen";
  }
}
