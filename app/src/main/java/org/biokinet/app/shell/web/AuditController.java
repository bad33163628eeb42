package org.biokinet.app.shell.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.text.Normalizer;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.people.PeopleService;
import org.biokinet.app.people.Person;
import org.biokinet.app.platform.Pages;
import org.biokinet.app.practice.Me;
import org.springframework.data.domain.Slice;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Who saw and changed what, to read and to take away; for owners. */
@Controller
@RequestMapping("/practice/audit")
class AuditController {

  /** One line as it is read. */
  record AuditLine(String when, String by, String client, String action, String detail) {}

  private static final int PER_PAGE = 50;
  private static final int PER_READ = 500;
  private static final int DAYS_SHOWN = 30;
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("d MMM yyyy HH:mm:ss", Locale.ENGLISH);

  private final Audit audit;
  private final PeopleService people;
  private final ClientService clients;
  private final Clock clock;

  AuditController(Audit audit, PeopleService people, ClientService clients, Clock clock) {
    this.audit = audit;
    this.people = people;
    this.clients = clients;
    this.clock = clock;
  }

  /** The days, client and person that are asked for; wrong ones fall back to the last days. */
  private Audit.Wanted wanted(Me me, String from, String to, String client, String person) {
    ZoneId zone = ZoneId.of(me.zone());
    LocalDate today = clock.instant().atZone(zone).toLocalDate();
    LocalDate last = day(to).orElse(today);
    LocalDate first = day(from).orElse(last.minusDays(DAYS_SHOWN));
    return new Audit.Wanted(
        first.atStartOfDay(zone).toInstant(),
        last.plusDays(1).atStartOfDay(zone).toInstant(),
        id(client).orElse(null),
        id(person).orElse(null));
  }

  private static Optional<LocalDate> day(String typed) {
    try {
      return Optional.of(LocalDate.parse(typed.strip())).filter(d -> d.getYear() / 1000 == 2);
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private static Optional<UUID> id(String sent) {
    try {
      return sent.isBlank() ? Optional.empty() : Optional.of(UUID.fromString(sent));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  @GetMapping
  String read(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String from,
      @RequestParam(defaultValue = "") String to,
      @RequestParam(defaultValue = "") String client,
      @RequestParam(defaultValue = "") String person,
      @RequestParam(defaultValue = "0") int page,
      Model model) {
    Audit.Wanted wanted = wanted(me, from, to, client, person);
    Slice<Audit.Entry> rows = audit.page(me, wanted, Pages.bounded(page), PER_PAGE);
    Map<UUID, String> names = names(me);
    ZoneId zone = ZoneId.of(me.zone());
    model.addAttribute("lines", rows.getContent().stream().map(r -> line(r, names, zone)).toList());
    model.addAttribute("more", rows.hasNext());
    model.addAttribute("page", rows.getNumber());
    model.addAttribute("from", wanted.from().atZone(zone).toLocalDate());
    model.addAttribute("to", wanted.until().atZone(zone).toLocalDate().minusDays(1));
    model.addAttribute("client", client);
    model.addAttribute("person", person);
    model.addAttribute("clients", clients.names(me));
    model.addAttribute("people", people.all(me));
    return "shell/audit";
  }

  /** The same lines as a table file; what a spreadsheet might take for a formula is disarmed. */
  @GetMapping("/export.csv")
  void export(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String from,
      @RequestParam(defaultValue = "") String to,
      @RequestParam(defaultValue = "") String client,
      @RequestParam(defaultValue = "") String person,
      HttpServletResponse response)
      throws IOException {
    Audit.Wanted wanted = wanted(me, from, to, client, person);
    Map<UUID, String> names = names(me);
    ZoneId zone = ZoneId.of(me.zone());
    audit.exported(me, "%s to %s".formatted(wanted.from(), wanted.until()));
    response.setContentType("text/csv;charset=UTF-8");
    response.setHeader("Content-Disposition", "attachment; filename=\"audit.csv\"");
    CSVFormat format =
        CSVFormat.RFC4180.builder().setHeader("at", "by", "client", "action", "detail").get();
    try (CSVPrinter csv = new CSVPrinter(response.getWriter(), format)) {
      for (int page = 0; ; page++) {
        Slice<Audit.Entry> rows = audit.page(me, wanted, page, PER_READ);
        for (Audit.Entry r : rows) {
          AuditLine line = line(r, names, zone);
          csv.printRecord(
              r.at(),
              disarmed(line.by()),
              disarmed(line.client()),
              r.action(),
              disarmed(r.detail()));
        }
        if (!rows.hasNext()) break;
      }
    }
  }

  /** Signs are looked for behind blanks that nobody sees, and in their wide forms. */
  static String disarmed(String text) {
    String seen = Normalizer.normalize(text, Normalizer.Form.NFKC);
    int at = 0;
    while (at < seen.length() && unseen(seen.charAt(at))) at++;
    boolean formula = at < seen.length() && "=+-@\u2212".indexOf(seen.charAt(at)) >= 0;
    boolean control = !text.isEmpty() && Character.isISOControl(text.charAt(0));
    return formula || control ? "'" + text : text;
  }

  private static boolean unseen(char c) {
    return Character.isWhitespace(c)
        || Character.isISOControl(c)
        || Character.isSpaceChar(c)
        || Character.getType(c) == Character.FORMAT;
  }

  private Map<UUID, String> names(Me me) {
    Map<UUID, String> names = new HashMap<>(clients.names(me));
    List<Person> all = people.all(me);
    for (Person p : all) names.put(p.id(), p.name());
    return names;
  }

  private static AuditLine line(Audit.Entry r, Map<UUID, String> names, ZoneId zone) {
    String by = r.byClient() ? "the client" : names.getOrDefault(r.actorId(), "somebody");
    return new AuditLine(
        WHEN.format(r.at().atZone(zone)),
        by,
        r.clientId().map(id -> names.getOrDefault(id, id.toString())).orElse(""),
        r.action(),
        r.detail());
  }
}
