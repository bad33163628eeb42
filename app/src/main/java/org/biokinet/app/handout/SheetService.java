package org.biokinet.app.handout;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
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
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Permit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** The sheet of a shared version, as a page and as a PDF. */
@Service
public class SheetService {

  private final ClientService clients;
  private final PermitService permits;
  private final PracticeService practices;
  private final AccountService accounts;
  private final SpringTemplateEngine templates;
  private final Site site;
  private final Clock clock;

  SheetService(
      ClientService clients,
      PermitService permits,
      PracticeService practices,
      AccountService accounts,
      SpringTemplateEngine templates,
      Site site,
      Clock clock) {
    this.clients = clients;
    this.permits = permits;
    this.practices = practices;
    this.accounts = accounts;
    this.templates = templates;
    this.site = site;
    this.clock = clock;
  }

  /** What comes of asking for a sheet. */
  public sealed interface Answer {

    /** All that the template shows. */
    record Ready(Map<String, Object> model) implements Answer {}

    /** Nothing of it may be done now, so nothing is printed. */
    record Not(String why) implements Answer {}
  }

  /**
   * The sheet of what may be done now: the same answer as at every start, so that paper opens
   * nothing that the player does not.
   *
   * @throws NotFound where nothing of that program is in force
   */
  @Transactional(readOnly = true)
  public Answer sheet(Me me, UUID clientId, ProgramKind program) {
    Client client = clients.get(me, clientId);
    Permitted now = permits.of(client, program).orElseThrow(NotFound::new);
    Permit permit = now.permit();
    if (permit.closed().isPresent()) {
      Gate.Why why = permit.closed().get();
      return new Answer.Not("The gate is closed: %s. %s".formatted(why.label(), why.opens()));
    }
    // What is for a flare is printed ahead of it.
    if (permit.notItsTurn().isPresent() && !now.onlyForAFlare()) {
      return new Answer.Not("A flare lasts, and only the plan for it is done: print that.");
    }
    if (now.noneAllowed()) {
      return new Answer.Not("The screening does not allow any item of it now: change it in Plan.");
    }
    return new Answer.Ready(model(client, now.replay(), permit.waiting()));
  }

  private Map<String, Object> model(
      Client client, VersionService.Replay replay, Set<Integer> waiting) {
    Locale language = client.language();
    ProgramVersion version = replay.version();
    Practice practice = practices.practice(client.practiceId());
    LocalDate shared = LocalDate.ofInstant(version.sharedAt(), client.zone());
    LocalDate today = LocalDate.ofInstant(clock.instant(), client.zone());
    Map<String, Object> model = new TreeMap<>();
    model.put("sheet", Sheet.of(replay, waiting, language));
    model.put("waiting", waiting.size());
    model.put("client", client);
    model.put("practice", practice);
    model.put("by", accounts.practitionerName(version.sharedBy()));
    model.put("shared", Days.day(shared, language));
    model.put("review", Days.day(Sheet.review(replay, shared, today), language));
    boolean flare = !version.program().servesFindings();
    model.put("flare", flare ? replay.draft().flatMap(Draft::days).orElse(Draft.USUAL_DAYS) : 0);
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
  public byte[] pdf(Answer.Ready sheet, Locale language, Paper paper, boolean large) {
    Context context = new Context(language, sheet.model());
    context.setVariable("large", large);
    context.setVariable("style", Pdf.style(paper, "sheet"));
    return Pdf.of(templates.process("handout/pdf", context));
  }
}
