package org.biokinet.app.handout;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Qr;
import org.biokinet.app.platform.Site;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.program.ProgramKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** The sheet of a shared version, as a page and as a PDF. */
@Service
public class SheetService {

  /** Paper, by the name that style sheets have for it. */
  public enum Paper {
    A4("A4"),
    LETTER("letter");

    private final String code;

    Paper(String code) {
      this.code = code;
    }
  }

  private final ClientService clients;
  private final VersionService versions;
  private final PracticeService practices;
  private final AccountService accounts;
  private final SpringTemplateEngine templates;
  private final Site site;
  private final Clock clock;

  SheetService(
      ClientService clients,
      VersionService versions,
      PracticeService practices,
      AccountService accounts,
      SpringTemplateEngine templates,
      Site site,
      Clock clock) {
    this.clients = clients;
    this.versions = versions;
    this.practices = practices;
    this.accounts = accounts;
    this.templates = templates;
    this.site = site;
    this.clock = clock;
  }

  /**
   * All that the template shows.
   *
   * @throws NotFound where nothing of that program is in force
   */
  @Transactional(readOnly = true)
  public Map<String, Object> model(Me me, UUID clientId, ProgramKind program) {
    Client client = clients.get(me, clientId);
    Locale language = client.language();
    VersionService.Replay replay = versions.latest(client, program).orElseThrow(NotFound::new);
    ProgramVersion version = replay.version();
    Practice practice = practices.practice(client.practiceId());
    LocalDate shared = LocalDate.ofInstant(version.sharedAt(), client.zone());
    LocalDate today = LocalDate.ofInstant(clock.instant(), client.zone());
    Map<String, Object> model = new TreeMap<>();
    model.put("sheet", Sheet.of(replay, language));
    model.put("client", client);
    model.put("practice", practice);
    model.put("by", accounts.practitionerName(version.sharedBy()));
    model.put("shared", Days.day(shared, language));
    model.put("review", Days.day(Sheet.review(replay, shared, today), language));
    model.put("often", client.circumstances().timesPerDay().orElse(1));
    // The address of the page, and nothing that opens it: the client's device is known there, or
    // asks for the link that only the client has.
    String address = site.address("/me/today");
    model.put("address", address);
    model.put("qr", Qr.svg(address, address));
    return model;
  }

  /**
   * @param large for who reads large print
   */
  @Transactional(readOnly = true)
  public byte[] pdf(Me me, UUID clientId, ProgramKind program, Paper paper, boolean large) {
    Client client = clients.get(me, clientId);
    Context context = new Context(client.language(), model(me, clientId, program));
    context.setVariable("large", large);
    context.setVariable(
        "style", "@page { size: %s; margin: 12mm 14mm; }\n%s".formatted(paper.code, css()));
    return Pdf.of(templates.process("handout/pdf", context));
  }

  private static String css() {
    try (InputStream in = SheetService.class.getResourceAsStream("/static/built/sheet.css")) {
      if (in == null) throw new IllegalStateException("styles are not built");
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
