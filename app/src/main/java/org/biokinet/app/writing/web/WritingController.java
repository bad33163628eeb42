package org.biokinet.app.writing.web;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.handout.Paper;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.writing.Writing;
import org.biokinet.app.writing.Writing.Section;
import org.biokinet.app.writing.WritingService;
import org.biokinet.app.writing.WritingService.Outcome;
import org.springframework.data.domain.Page;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Notes and letters of a client. */
@Controller
@RequestMapping("/clients/{id}/writing")
class WritingController {

  private static final int PER_PAGE = 25;

  /** So far back a note can be written of a day; our choice. */
  private static final int MOST_DAYS_BACK = 60;

  /** One line of the list. */
  record Line(UUID id, String label, String day, String state, boolean draft) {}

  private final WritingService writings;
  private final ClientHeader header;
  private final Audit audit;
  private final Clock clock;

  WritingController(WritingService writings, ClientHeader header, Audit audit, Clock clock) {
    this.writings = writings;
    this.header = header;
    this.audit = audit;
    this.clock = clock;
  }

  private LocalDate today(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone());
  }

  @GetMapping
  String all(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "0") int page,
      Model model) {
    Client client = header.show(me, id, null, model);
    Page<Writing> all = writings.page(me, id, page, PER_PAGE);
    model.addAttribute("page", all);
    model.addAttribute("lines", all.map(w -> line(w, client.zone())).getContent());
    model.addAttribute("kinds", Writing.Kind.values());
    model.addAttribute("today", today(client));
    model.addAttribute("earliest", today(client).minusDays(MOST_DAYS_BACK));
    return "writing/writings";
  }

  private Line line(Writing w, ZoneId zone) {
    return new Line(
        w.id(),
        w.kind().label(),
        Days.date(w.day()),
        w.signed()
            .map(at -> "signed by %s, %s".formatted(w.by(), Days.when(at, clock.instant(), zone)))
            .orElse("your draft"),
        w.signed().isEmpty());
  }

  @PostMapping
  String begin(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam Writing.Kind document,
      @RequestParam Optional<LocalDate> day,
      Model model) {
    Client client = header.show(me, id, null, model);
    LocalDate today = today(client);
    LocalDate of =
        day.filter(d -> document == Writing.Kind.NOTE)
            .filter(d -> !d.isAfter(today) && !d.isBefore(today.minusDays(MOST_DAYS_BACK)))
            .orElse(today);
    return to(id, writings.begin(me, id, document, of));
  }

  private static String to(UUID client, UUID writing) {
    return "redirect:/clients/%s/writing/%s".formatted(client, writing);
  }

  @GetMapping("/{writing}")
  String one(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable UUID writing,
      Model model) {
    Writing w = writings.get(me, id, writing);
    return show(me, id, w, w.to(), w.sections(), model);
  }

  private String show(Me me, UUID id, Writing w, String to, List<Section> sections, Model model) {
    Client client = header.show(me, id, null, model);
    model.addAttribute("w", w);
    model.addAttribute("to", to);
    model.addAttribute("sections", sections);
    model.addAttribute("day", Days.date(w.day()));
    model.addAttribute("longest", Writing.LONGEST_SECTION);
    model.addAttribute("longestTo", Writing.LONGEST_TO);
    if (w.signed().isEmpty()) return "writing/draft";
    model.addAttribute("text", writings.text(me, id, w.id()));
    model.addAttribute("p", writings.printed(me, id, w.id()));
    model.addAttribute(
        "amending", writings.amending(w.id()).stream().map(a -> line(a, client.zone())).toList());
    return "writing/signed";
  }

  /**
   * @param form the sections as {@code text}, in their order, and {@code to}
   * @param sign whether it is signed with that
   */
  @PostMapping("/{writing}")
  String write(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable UUID writing,
      @RequestParam int seen,
      @RequestParam(defaultValue = "false") boolean sign,
      @RequestParam MultiValueMap<String, String> form,
      Model model,
      HttpServletResponse response) {
    List<String> texts = form.getOrDefault("text", List.of());
    String to = Optional.ofNullable(form.getFirst("to")).orElse("");
    Outcome outcome = writings.write(me, id, writing, seen, to, texts, sign);
    if (outcome == Outcome.DONE) return to(id, writing) + (sign ? "" : "?kept");
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("overtaken", outcome == Outcome.OVERTAKEN);
    model.addAttribute("tooLong", outcome == Outcome.TOO_LONG);
    model.addAttribute("nothing", outcome == Outcome.EMPTY);
    Writing w = writings.get(me, id, writing);
    List<Section> typed = new ArrayList<>();
    for (int n = 0; n < w.sections().size(); n++) {
      typed.add(new Section(w.sections().get(n).heading(), n < texts.size() ? texts.get(n) : ""));
    }
    return show(me, id, w, to, typed, model);
  }

  @PostMapping("/{writing}/anew")
  String anew(@AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID writing) {
    writings.anew(me, id, writing);
    return to(id, writing);
  }

  @PostMapping("/{writing}/discard")
  String discard(
      @AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID writing) {
    writings.discard(me, id, writing);
    return "redirect:/clients/%s/writing".formatted(id);
  }

  @PostMapping("/{writing}/amend")
  String amend(@AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID writing) {
    return to(id, writings.amend(me, id, writing));
  }

  @GetMapping("/{writing}/text")
  ResponseEntity<String> text(
      @AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID writing) {
    Writing w = writings.get(me, id, writing);
    audit.saw(me, id, "writing");
    return ResponseEntity.ok()
        .contentType(new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8))
        .cacheControl(CacheControl.noStore())
        .header(HttpHeaders.CONTENT_DISPOSITION, named(w, "txt"))
        .body(writings.text(me, id, writing));
  }

  @GetMapping("/{writing}/pdf")
  ResponseEntity<byte[]> pdf(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable UUID writing,
      @RequestParam(defaultValue = "A4") Paper paper) {
    Writing w = writings.get(me, id, writing);
    audit.saw(me, id, "writing");
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .cacheControl(CacheControl.noStore())
        .header(HttpHeaders.CONTENT_DISPOSITION, named(w, "pdf"))
        .body(writings.pdf(me, id, writing, paper));
  }

  /** Without a name in it: it lies about in a folder for downloads. */
  private static String named(Writing w, String ending) {
    String name = "%s %s.%s".formatted(w.kind().label(), w.day(), ending);
    return ContentDisposition.inline().filename(name).build().toString();
  }
}
