package org.biokinet.app.writing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.handout.Paper;
import org.biokinet.app.handout.Pdf;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.Days;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Pages;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.app.writing.Writing.Kind;
import org.biokinet.app.writing.Writing.Section;
import org.biokinet.app.writing.internal.WritingRow;
import org.biokinet.app.writing.internal.Writings;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/**
 * Notes and letters: begun from the record, gone over, signed. What is signed never changes; it is
 * amended by another one, and both stay.
 */
@Service
public class WritingService {

  private final Writings writings;
  private final Composer composer;
  private final ClientService clients;
  private final AccountService accounts;
  private final PracticeService practices;
  private final SettingsService settings;
  private final SpringTemplateEngine templates;
  private final Audit audit;
  private final Clock clock;

  WritingService(
      Writings writings,
      Composer composer,
      ClientService clients,
      AccountService accounts,
      PracticeService practices,
      SettingsService settings,
      SpringTemplateEngine templates,
      Audit audit,
      Clock clock) {
    this.writings = writings;
    this.composer = composer;
    this.clients = clients;
    this.accounts = accounts;
    this.practices = practices;
    this.settings = settings;
    this.templates = templates;
    this.audit = audit;
    this.clock = clock;
  }

  /** What is signed and what I have begun, the newest first. */
  @Transactional(readOnly = true)
  public Page<Writing> page(Me me, UUID clientId, int page, int size) {
    UUID client = clients.get(me, clientId).getId();
    return writings
        .seen(client, me.id(), PageRequest.of(Pages.bounded(page), size))
        .map(this::writing);
  }

  private Writing writing(WritingRow row) {
    return row.writing(accounts.practitionerName(row.madeBy()));
  }

  /**
   * One that is signed, or a draft of mine.
   *
   * @throws NotFound for anything else
   */
  @Transactional(readOnly = true)
  public Writing get(Me me, UUID clientId, UUID id) {
    UUID client = clients.get(me, clientId).getId();
    return writings
        .findByIdAndClientId(id, client)
        .filter(row -> row.signed() || row.madeBy().equals(me.id()))
        .map(this::writing)
        .orElseThrow(NotFound::new);
  }

  /** The signed ones that put one right, the oldest first. */
  @Transactional(readOnly = true)
  public List<Writing> amending(UUID id) {
    return writings.findByAmendsAndSignedAtIsNotNullOrderBySignedAt(id).stream()
        .map(this::writing)
        .toList();
  }

  /** My draft of a day, begun where there is none. */
  @Changes
  public UUID begin(Me me, UUID clientId, Kind kind, LocalDate day) {
    Client client = clients.lock(me, clientId);
    return writings
        .findFirstByClientIdAndMadeByAndKindAndDayAndSignedAtIsNullAndAmendsIsNullOrderByMadeAtDesc(
            client.getId(), me.id(), kind, day)
        .orElseGet(() -> save(me, client, kind, day, "", composer.of(client, kind, day), null))
        .getId();
  }

  private WritingRow save(
      Me me,
      Client client,
      Kind kind,
      LocalDate day,
      String to,
      List<Section> sections,
      @Nullable UUID amends) {
    audit.changed(me, client.getId(), "writing begun", kind.label());
    return writings.save(
        new WritingRow(
            client.getId(), kind, day, to, cut(sections), me.id(), clock.instant(), amends));
  }

  private static List<Section> cut(List<Section> sections) {
    return sections.stream()
        .map(
            s ->
                s.text().length() > Writing.LONGEST_SECTION
                    ? new Section(s.heading(), s.text().substring(0, Writing.LONGEST_SECTION))
                    : s)
        .toList();
  }

  /** What came of writing. */
  public enum Outcome {
    DONE,
    /** Another window of mine has written meanwhile, or it is signed. */
    OVERTAKEN,
    /** A section or the address is too long. */
    TOO_LONG,
    /** There is nothing in it to sign. */
    EMPTY
  }

  /**
   * Keeps my draft, and signs it where that is wanted.
   *
   * @param seen the version that was written on
   * @param texts of the sections, in their order
   */
  @Changes
  public Outcome write(
      Me me, UUID clientId, UUID id, int seen, String to, List<String> texts, boolean sign) {
    Client client = clients.lock(me, clientId);
    WritingRow row = mine(me, client, id);
    if (row.signed() || row.version() != seen) return Outcome.OVERTAKEN;
    if (to.length() > Writing.LONGEST_TO
        || texts.stream().anyMatch(t -> t.length() > Writing.LONGEST_SECTION)) {
      return Outcome.TOO_LONG;
    }
    List<Section> before = writing(row).sections();
    List<Section> written = new ArrayList<>();
    for (int n = 0; n < before.size(); n++) {
      String text = n < texts.size() ? texts.get(n).replace("\r\n", "\n").strip() : "";
      written.add(new Section(before.get(n).heading(), text));
    }
    if (sign && written.stream().allMatch(Section::empty)) return Outcome.EMPTY;
    row.write(to.replace("\r\n", "\n").strip(), written);
    if (sign) {
      row.sign(head(client), clock.instant());
      audit.changed(me, clientId, "signed", writing(row).kind().label());
    }
    return Outcome.DONE;
  }

  private WritingRow mine(Me me, Client client, UUID id) {
    return writings
        .lock(id, client.getId())
        .filter(row -> row.madeBy().equals(me.id()))
        .orElseThrow(NotFound::new);
  }

  private List<String> head(Client client) {
    Practice practice = practices.practice(client.practiceId());
    List<String> head = new ArrayList<>(List.of(practice.name()));
    List<String> own = settings.letterhead(client.practiceId());
    if (own.isEmpty() && !practice.phone().isEmpty()) head.add(practice.phone());
    head.addAll(own);
    return head;
  }

  /** Made of the record anew; what was written in it is gone. */
  @Changes
  public void anew(Me me, UUID clientId, UUID id) {
    Client client = clients.lock(me, clientId);
    WritingRow row = mine(me, client, id);
    if (row.signed()) return;
    Writing w = writing(row);
    row.write(w.to(), cut(composer.of(client, w.kind(), w.day())));
  }

  /** Throws a draft of mine away. */
  @Changes
  public void discard(Me me, UUID clientId, UUID id) {
    Client client = clients.lock(me, clientId);
    WritingRow row = mine(me, client, id);
    if (row.signed()) return;
    writings.delete(row);
    audit.changed(me, clientId, "writing discarded", writing(row).kind().label());
  }

  /** A draft of mine that puts a signed one right, with its words to begin with. */
  @Changes
  public UUID amend(Me me, UUID clientId, UUID id) {
    Client client = clients.lock(me, clientId);
    Writing signed = get(me, clientId, id);
    if (signed.signed().isEmpty()) return id;
    return writings
        .findFirstByAmendsAndSignedAtIsNullAndMadeBy(id, me.id())
        .orElseGet(
            () -> save(me, client, signed.kind(), signed.day(), signed.to(), signed.sections(), id))
        .getId();
  }

  /** As plain text, with everything that is printed. */
  @Transactional(readOnly = true)
  public String text(Me me, UUID clientId, UUID id) {
    Printed p = printed(me, clientId, id);
    List<String> blocks = new ArrayList<>();
    if (p.writing().kind().letter()) {
      blocks.add(String.join("\n", p.head()));
      if (!p.writing().to().isEmpty()) blocks.add(p.writing().to());
    }
    blocks.add("%s, %s\n%s".formatted(p.writing().kind().label(), p.date(), p.about()));
    for (Section s : p.writing().printed()) blocks.add(s.heading() + "\n" + s.text());
    blocks.add(p.signature());
    if (!p.amends().isEmpty()) blocks.add(p.amends());
    return String.join("\n\n", blocks) + "\n";
  }

  /** As a PDF that can be read aloud. */
  @Transactional(readOnly = true)
  public byte[] pdf(Me me, UUID clientId, UUID id, Paper paper) {
    Context context = new Context(Locale.ENGLISH, Map.of("p", printed(me, clientId, id)));
    context.setVariable("style", Pdf.style(paper, "letter"));
    return Pdf.of(templates.process("writing/pdf", context));
  }

  /**
   * All that is printed of one.
   *
   * @param about whom it is about
   * @param amends what it puts right, or empty
   */
  public record Printed(
      Writing writing,
      List<String> head,
      String date,
      String about,
      String signature,
      String amends) {}

  @Transactional(readOnly = true)
  public Printed printed(Me me, UUID clientId, UUID id) {
    Client client = clients.get(me, clientId);
    Writing w = get(me, clientId, id);
    LocalDate signed = w.signed().map(at -> LocalDate.ofInstant(at, client.zone())).orElse(w.day());
    return new Printed(
        w,
        w.signed().isPresent() ? w.head() : head(client),
        Days.date(w.kind().letter() ? signed : w.day()),
        client.name() + client.birthDate().map(b -> ", born " + Days.date(b)).orElse(""),
        w.signed()
            .map(
                at ->
                    "Signed by %s, %s %s."
                        .formatted(w.by(), Days.date(signed), Days.time(at, client.zone())))
            .orElse("Draft of %s, not signed.".formatted(w.by())),
        w.amends()
            .map(before -> get(me, clientId, before))
            .map(
                before ->
                    "This amends what %s signed on %s."
                        .formatted(
                            before.by(),
                            Days.date(
                                LocalDate.ofInstant(before.signed().orElseThrow(), client.zone()))))
            .orElse(""));
  }
}
