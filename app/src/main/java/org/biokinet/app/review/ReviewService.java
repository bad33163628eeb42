package org.biokinet.app.review;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.Cut;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.internal.ChoiceRow;
import org.biokinet.app.review.internal.ReviewRow;
import org.biokinet.app.review.internal.Reviews;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Agreed;
import org.biokinet.core.progress.Cadence;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Outcome;
import org.biokinet.core.progress.Pace;
import org.biokinet.core.progress.Part;
import org.biokinet.core.progress.Review;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reviews: the record suggests, somebody chooses, and only then something is made of it. What is
 * suggested is read off the record each time; a choice counts only for what it was made on.
 */
@Service
public class ReviewService {

  interface Choices extends JpaRepository<ChoiceRow, ChoiceRow.Key> {
    List<ChoiceRow> findByKeyClientId(UUID clientId);
  }

  public static final int LONGEST_REASON = 300;

  /**
   * A suggestion, and what was chosen on it.
   *
   * @param stale whether the suggestion is another one by now, so that it does not count
   */
  public record Chosen(Choice choice, String by, boolean stale) {}

  /**
   * A part of the program.
   *
   * @param seen what a choice is made on
   */
  public record Line(Decision decision, String seen, Optional<Chosen> chosen) {

    /** What is decided on it, as far as somebody has chosen. */
    public Optional<Agreed> agreed() {
      return chosen.filter(c -> !c.stale()).map(c -> new Agreed(decision, c.choice()));
    }
  }

  /**
   * A review that waits to be made.
   *
   * @param mark of all that is suggested and chosen, so that nothing is made of what was not seen
   */
  public record Open(DiaryService.Kept kept, Review review, List<Line> lines, String mark) {

    public List<Agreed> agreed() {
      return lines.stream().flatMap(l -> l.agreed().stream()).toList();
    }

    public int undecided() {
      return lines.size() - agreed().size();
    }

    public Program program() {
      return kept.now().program();
    }
  }

  /** A review that was made. */
  public record Made(
      UUID id,
      Instant at,
      String by,
      int rules,
      int ofVersion,
      OptionalInt toVersion,
      boolean shared,
      Pace pace,
      LocalDate next,
      List<KeptDecision> decided) {}

  /** It cannot be made, or not so; nothing was done. */
  public static final class Refused extends RuntimeException {
    Refused(String why) {
      super(why);
    }

    public String why() {
      return Objects.requireNonNull(getMessage());
    }
  }

  private final Choices choices;
  private final Reviews reviews;
  private final DiaryService diaries;
  private final DraftService drafts;
  private final ClientService clients;
  private final AccountService accounts;
  private final NoteWords words;
  private final VersionService versions;
  private final SessionService sessions;
  private final FollowUpService followUps;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  ReviewService(
      Choices choices,
      Reviews reviews,
      DiaryService diaries,
      DraftService drafts,
      ClientService clients,
      AccountService accounts,
      NoteWords words,
      VersionService versions,
      SessionService sessions,
      FollowUpService followUps,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.choices = choices;
    this.reviews = reviews;
    this.diaries = diaries;
    this.drafts = drafts;
    this.clients = clients;
    this.accounts = accounts;
    this.words = words;
    this.versions = versions;
    this.sessions = sessions;
    this.followUps = followUps;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  // ---- what is suggested and chosen --------------------------------------------------------

  /**
   * All that Review shows of decisions, read once.
   *
   * @param open empty where nothing of the main program is in force
   * @param made the newest first
   * @param due the day of the next review; empty where there is nothing to review
   */
  public record Page(Optional<Open> open, List<Made> made, Optional<LocalDate> due) {}

  @Transactional(readOnly = true)
  public Page page(Client client) {
    List<ReviewRow> rows = reviews.findByClientIdOrderByMadeAtDesc(client.getId());
    Optional<Open> open = diaries.of(client, rows).map(kept -> open(client, kept));
    return new Page(
        open,
        rows.stream().map(this::made).toList(),
        open.map(o -> due(client, ofEpisode(rows, client), o.kept().now().version())));
  }

  /** Empty where nothing of the main program is in force. */
  @Transactional(readOnly = true)
  public Optional<Open> open(Client client) {
    return diaries
        .of(client, reviews.findByClientIdOrderByMadeAtDesc(client.getId()))
        .map(kept -> open(client, kept));
  }

  private static Optional<ReviewRow> ofEpisode(List<ReviewRow> newestFirst, Client client) {
    return newestFirst.stream()
        .findFirst()
        .filter(r -> !r.madeAt().isBefore(client.episodeSince()));
  }

  private Open open(Client client, DiaryService.Kept kept) {
    Review review = Review.of(kept.diary());
    Map<String, ChoiceRow> rows =
        choices.findByKeyClientId(client.getId()).stream()
            .collect(Collectors.toMap(ChoiceRow::part, row -> row));
    List<Line> lines = new ArrayList<>();
    StringBuilder mark = new StringBuilder();
    for (Decision d : review.decisions()) {
      Optional<Chosen> chosen =
          Optional.ofNullable(rows.get(d.part().text())).flatMap(row -> chosen(row, d, kept));
      lines.add(new Line(d, suggested(d), chosen));
      mark.append(d.part().text()).append(suggested(d)).append(chosen).append('\n');
    }
    return new Open(
        kept,
        review,
        lines,
        UUID.nameUUIDFromBytes(mark.toString().getBytes(StandardCharsets.UTF_8)).toString());
  }

  private Optional<Chosen> chosen(ChoiceRow row, Decision d, DiaryService.Kept kept) {
    boolean stale = !row.suggested().equals(suggested(d));
    Optional<SideDose> dose = Optional.empty();
    if (!row.dose().isEmpty()) {
      dose = dose(row.dose(), d.part(), kept.now().program()).dose();
      stale |= dose.isEmpty();
    }
    Choice choice = new Choice(row.kind(), dose, row.reason());
    return Optional.of(new Chosen(choice, accounts.practitionerName(row.chosenBy()), stale));
  }

  /** What a choice is made on: with another outcome, or another dose, it is another one. */
  private static String suggested(Decision d) {
    return Cut.to(
        200,
        "%s %s -> %s %s"
            .formatted(
                d.line().name(),
                KeptDecision.text(d.now()),
                d.next().map(KeptDecision::text).orElse(""),
                d.asks().stream().sorted().toList()));
  }

  private record Typed(Optional<SideDose> dose, String fault) {}

  /** A dose of one side; what is said for both stands for this one. */
  private static Typed dose(String text, Part part, Program program) {
    int place = part.place(program).orElseThrow(NotFound::new);
    DoseContext context = program.items().get(place).exercise().doseContext();
    Parsed parsed = DoseNotation.parse(text, context);
    if (parsed instanceof Parsed.Fault fault) return new Typed(Optional.empty(), fault.message());
    Dose dose = ((Parsed.Understood) parsed).dose();
    return dose instanceof Dose.Alike alike
        ? new Typed(Optional.of(alike.both()), "")
        : new Typed(Optional.empty(), "the dose of this side alone, without L or R");
  }

  /**
   * Chooses on a suggestion.
   *
   * @param seen what was suggested: another suggestion has to be seen first
   * @param dose of {@link Choice.Kind#ALTER}: another one; empty to leave the item out on this side
   * @return what is wrong, in words; empty where it was taken
   */
  @Changes
  public Optional<String> choose(
      Me me, UUID clientId, Part part, String seen, Choice.Kind kind, String dose, String reason) {
    Open open = locked(me, clientId);
    Decision d = decision(open, part);
    if (!seen.equals(suggested(d))) {
      return Optional.of("something has come in since: look at what is suggested now");
    }
    Typed typed = new Typed(Optional.empty(), "");
    if (kind == Choice.Kind.ALTER && !dose.isBlank()) {
      typed = dose(dose.strip(), part, open.program());
    }
    if (!typed.fault().isEmpty()) return Optional.of(typed.fault());
    if (reason.length() > LONGEST_REASON) {
      return Optional.of("at most %d characters".formatted(LONGEST_REASON));
    }
    Choice choice = new Choice(kind, typed.dose(), reason);
    Optional<String> fault = Agreed.fault(d, choice, open.program());
    if (fault.isEmpty()) keep(me, clientId, d, choice);
    return fault;
  }

  private Open locked(Me me, UUID clientId) {
    return open(clients.lock(me, clientId)).orElseThrow(NotFound::new);
  }

  private static Decision decision(Open open, Part part) {
    return open.review().decisions().stream()
        .filter(d -> d.part().equals(part))
        .findFirst()
        .orElseThrow(NotFound::new);
  }

  private void keep(Me me, UUID clientId, Decision d, Choice choice) {
    choices.save(
        new ChoiceRow(
            new ChoiceRow.Key(clientId, d.part().text()),
            suggested(d),
            choice.kind(),
            choice.dose().map(KeptDecision::text).orElse(""),
            choice.reason(),
            me.id(),
            clock.instant()));
  }

  /** Takes a choice back. */
  @Changes
  public void clear(Me me, UUID clientId, Part part) {
    clients.lock(me, clientId);
    choices.findById(new ChoiceRow.Key(clientId, part.text())).ifPresent(choices::delete);
  }

  /**
   * Accepts all that nobody has chosen on, but for what has to be examined or needs a word.
   *
   * @param mark what was seen
   * @return how many were accepted; empty where it is not what was seen any more
   */
  @Changes
  public OptionalInt acceptAll(Me me, UUID clientId, String mark) {
    Open open = locked(me, clientId);
    if (!open.mark().equals(mark)) return OptionalInt.empty();
    int accepted = 0;
    for (Line line : open.lines()) {
      Choice accept = Choice.accept("");
      if (line.agreed().isPresent()) continue;
      if (Agreed.fault(line.decision(), accept, open.program()).isPresent()) continue;
      keep(me, clientId, line.decision(), accept);
      accepted++;
    }
    return OptionalInt.of(accepted);
  }

  // ---- what is made of it ------------------------------------------------------------------

  /**
   * What is said with a review.
   *
   * @param note what the client will read with a version, in the practitioner's words
   * @param why it is shared over a warning
   * @param pace from now on
   * @param next the day of the next one
   */
  public record Said(String note, String why, Pace pace, LocalDate next) {}

  /**
   * What would be made.
   *
   * @param said as it is usually said, to be changed
   * @param earliest day for which the next review may be planned
   */
  public record Proposal(
      Open open, DraftService.Proposed proposed, Said said, LocalDate earliest, LocalDate latest) {

    /** Whether anything is different from what is in force. */
    public boolean changes() {
      return open.agreed().stream().anyMatch(Agreed::changes);
    }
  }

  /** Empty while anything is undecided, or nothing is in force. */
  @Transactional(readOnly = true)
  public Optional<Proposal> proposal(Me me, Client client) {
    return open(client)
        .filter(open -> open.undecided() == 0)
        .map(open -> proposal(me, client, open, usual(client, open)));
  }

  private Said usual(Client client, Open open) {
    List<Outcome> decided = open.agreed().stream().map(a -> a.outcome(open.program())).toList();
    return new Said(
        words.of(open),
        open.kept().now().version().reason(),
        open.kept().diary().pace(),
        today(client).plusDays(Cadence.days(decided)));
  }

  private LocalDate today(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone());
  }

  private Proposal proposal(Me me, Client client, Open open, Said said) {
    Map<Integer, Optional<Dose>> doses = Agreed.doses(open.agreed(), open.program());
    LocalDate today = today(client);
    return new Proposal(
        open,
        drafts.proposed(me, client, open.kept().now(), doses, said.note()),
        said,
        today.plusDays(1),
        today.plusDays(Cadence.MOST_DAYS));
  }

  /**
   * Makes a version of what was decided, and keeps the review. Where nothing changes the review is
   * kept alone.
   *
   * @param mark what was seen
   * @param share shares it; else it is left as a draft
   * @throws Refused with the reason; nothing was done then
   */
  @Changes
  public Made make(Me me, UUID clientId, String mark, boolean share, Said said) {
    Client client = clients.lock(me, clientId);
    Open open = open(client).orElseThrow(NotFound::new);
    if (!open.mark().equals(mark)) {
      throw new Refused("Something was chosen or has come in since: look at it once more.");
    }
    if (open.undecided() > 0) {
      throw new Refused("%d are not decided yet.".formatted(open.undecided()));
    }
    shortEnough("What the client reads", said.note(), Draft.LONGEST_NOTE);
    shortEnough("The reason", said.why(), DraftService.LONGEST_REASON);
    Proposal proposal = proposal(me, client, open, said);
    if (said.next().isBefore(proposal.earliest()) || said.next().isAfter(proposal.latest())) {
      throw new Refused(
          "The next review is planned for a day from %s to %s."
              .formatted(proposal.earliest(), proposal.latest()));
    }
    Integer number = proposal.changes() ? put(me, client, proposal, share, said.why()) : null;
    ReviewRow row =
        reviews.save(
            new ReviewRow(
                clientId,
                clock.instant(),
                me.id(),
                Decision.RULES,
                open.kept().now().version().number(),
                number,
                number != null && share,
                said.pace(),
                said.next(),
                kept(open)));
    choices.deleteAll(choices.findByKeyClientId(clientId));
    publisher.publishEvent(new ReviewMade(clientId));
    audit.changed(me, clientId, "review", number == null ? "nothing changes" : "version " + number);
    return made(row);
  }

  private static void shortEnough(String what, String text, int most) {
    if (text.strip().length() > most) {
      throw new Refused("%s has at most %d characters.".formatted(what, most));
    }
  }

  private int put(Me me, Client client, Proposal proposal, boolean share, String why) {
    DraftService.State now = drafts.state(me, client, ProgramKind.MAIN);
    if (share && now.started()) {
      throw new Refused(
          "%s is being written already: leave this as a part of it, and share it in Plan."
              .formatted(now.next().words()));
    }
    ProgramVersion.Name next = now.next();
    DraftService.State then =
        done(
            drafts.edit(
                me, client.getId(), ProgramKind.MAIN, now.seq(), proposal.proposed().edit()));
    if (share) {
      DraftService.Outcome shared =
          drafts.share(me, client.getId(), ProgramKind.MAIN, then.seq(), why);
      if (shared instanceof DraftService.Outcome.Refused refused) throw new Refused(refused.why());
      if (!(shared instanceof DraftService.Outcome.Shared)) done(shared);
    }
    return next.number();
  }

  private static DraftService.State done(DraftService.Outcome outcome) {
    if (outcome instanceof DraftService.Outcome.Done done) return done.state();
    if (outcome instanceof DraftService.Outcome.Overtaken overtaken) {
      throw new Refused(
          "%s is in the draft: take it over in Plan, or wait.".formatted(overtaken.by()));
    }
    throw new IllegalStateException(outcome.toString());
  }

  private static List<KeptDecision> kept(Open open) {
    List<KeptDecision> kept = new ArrayList<>();
    for (Agreed a : open.agreed()) {
      int place = a.suggested().part().place(open.program()).orElseThrow();
      String item = open.kept().now().name(place, Library.LANGUAGE);
      kept.add(KeptDecision.of(a, open.program(), item));
    }
    return kept;
  }

  // ---- what was decided --------------------------------------------------------------------

  @Transactional(readOnly = true)
  public Made of(UUID clientId, UUID id) {
    return reviews.findByIdAndClientId(id, clientId).map(this::made).orElseThrow(NotFound::new);
  }

  /** The day on which the main program is to be reviewed next; empty while there is none. */
  @Transactional(readOnly = true)
  public Optional<LocalDate> due(Client client) {
    return versions
        .latest(client, ProgramKind.MAIN)
        .map(
            now ->
                due(
                    client,
                    reviews.findFirstByClientIdAndMadeAtGreaterThanEqualOrderByMadeAtDesc(
                        client.getId(), client.episodeSince()),
                    now.version()));
  }

  private static LocalDate due(Client client, Optional<ReviewRow> last, ProgramVersion now) {
    return Cadence.due(
        last.map(ReviewRow::nextOn), LocalDate.ofInstant(now.sharedAt(), client.zone()));
  }

  /**
   * What had happened before a review and came in after it. It makes the review no other one; the
   * next reads it.
   */
  public record Late(long sessions, long answers) {}

  @Transactional(readOnly = true)
  public Late late(UUID clientId, Made made) {
    return new Late(sessions.late(clientId, made.at()), followUps.late(clientId, made.at()));
  }

  private Made made(ReviewRow row) {
    return new Made(
        row.getId(),
        row.madeAt(),
        accounts.practitionerName(row.madeBy()),
        row.rules(),
        row.ofVersion(),
        row.toVersion(),
        row.shared(),
        row.pace(),
        row.nextOn(),
        row.decided());
  }
}
