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
import java.util.stream.Stream;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.message.MessageService;
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
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Agreed;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Automatic;
import org.biokinet.core.progress.Cadence;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.Maintenance;
import org.biokinet.core.progress.Outcome;
import org.biokinet.core.progress.Part;
import org.biokinet.core.progress.Review;
import org.biokinet.core.screening.Policy;
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

    /** The same with a choice on each. */
    Open with(List<Agreed> agreed, String by) {
      List<Line> chosen = new ArrayList<>();
      for (int i = 0; i < lines.size(); i++) {
        Line line = lines.get(i);
        Chosen choice = new Chosen(agreed.get(i).choice(), by, false);
        chosen.add(new Line(line.decision(), line.seen(), Optional.of(choice)));
      }
      return new Open(kept, review, chosen, mark);
    }

    public List<Agreed> agreed() {
      return lines.stream().flatMap(l -> l.agreed().stream()).toList();
    }

    public int undecided() {
      return lines.size() - agreed().size();
    }

    public Program program() {
      return kept.now().program();
    }

    /** What is suggested for the program as a whole, where that changes all doses. */
    public Optional<Review.Whole> whole() {
      return review.course().filter(Review.Whole::moves);
    }

    /** What somebody has decided to keep as it is. */
    private List<Part> asTheyAre() {
      return agreed().stream()
          .filter(a -> a.choice().kind() == Choice.Kind.REJECT)
          .map(a -> a.suggested().part())
          .toList();
    }

    /** The doses of all items where that is followed, with what was decided for each. */
    private Map<Integer, Optional<Dose>> followed(Map<Integer, Optional<Dose>> decided) {
      return whole()
          .map(
              w ->
                  kept.before()
                      .filter(full -> w == Review.Whole.FULL_AGAIN)
                      .map(full -> Maintenance.fullAgain(full, program(), decided, asTheyAre()))
                      .orElseGet(() -> Maintenance.doses(kept.diary(), decided)))
          .orElse(decided);
    }
  }

  /**
   * A review that was made.
   *
   * @param by who made it, or had allowed that it is made by itself
   * @param whole what was followed of what was suggested for the program as a whole
   */
  public record Made(
      UUID id,
      Instant at,
      String by,
      boolean byItself,
      int rules,
      int ofVersion,
      OptionalInt toVersion,
      boolean shared,
      Optional<Review.Whole> whole,
      Terms terms,
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
  private final MessageService messages;
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
      MessageService messages,
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
    this.messages = messages;
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
    return kept(client).map(kept -> open(client, kept));
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
   * @param terms from now on
   * @param whole whether what is suggested for the program as a whole is followed
   * @param next the day of the next one
   */
  public record Said(String note, String why, Terms terms, boolean whole, LocalDate next) {}

  /**
   * What would be made.
   *
   * @param said as it is usually said, to be changed
   * @param policies that may be chosen
   * @param earliest day for which the next review may be planned
   */
  public record Proposal(
      Open open,
      DraftService.Proposed proposed,
      Said said,
      List<PolicyOffered> policies,
      LocalDate earliest,
      LocalDate latest) {

    /** Whether anything is different from what is in force. */
    public boolean changes() {
      return said.whole() || open.agreed().stream().anyMatch(Agreed::changes);
    }

    /** Whether it is suggested to finish. */
    public boolean finishes() {
      return open.whole().equals(Optional.of(Review.Whole.FINISH));
    }

    /** On so many days a week it would be kept up. */
    public int keptUpDays() {
      return Maintenance.days(open.kept().diary());
    }
  }

  /**
   * A policy, and what speaks against it.
   *
   * @param against empty where it may be chosen
   */
  public record PolicyOffered(Policy policy, List<String> against) {

    /** "tolerable-stretch: up to 6 of 10, a rise of 2 is borne (not now: highly irritable)". */
    public String words() {
      return against.isEmpty()
          ? policy.words()
          : "%s (not now: %s)".formatted(policy.words(), String.join("; ", against));
    }
  }

  /** Empty while anything is undecided, or nothing is in force. */
  @Transactional(readOnly = true)
  public Optional<Proposal> proposal(Me me, Client client) {
    return open(client)
        .filter(open -> open.undecided() == 0)
        .map(open -> proposal(me, client, open, usual(me, client, open, open.whole().isPresent())));
  }

  /**
   * The same with what somebody has said so far.
   *
   * @param whole whether what is suggested for the program as a whole is followed
   */
  @Transactional(readOnly = true)
  public Optional<Proposal> proposal(Me me, Client client, boolean whole) {
    return open(client)
        .filter(open -> open.undecided() == 0)
        .map(open -> proposal(me, client, open, usual(me, client, open, whole)));
  }

  /** What is allowed to come about by itself is allowed anew by whoever had allowed it. */
  private Said usual(Me me, Client client, Open open, boolean whole) {
    Optional<Review.Whole> followed = open.whole().filter(w -> whole);
    List<Outcome> decided = new ArrayList<>();
    open.agreed().forEach(a -> decided.add(a.outcome(open.program())));
    if (followed.equals(Optional.of(Review.Whole.FULL_AGAIN))) decided.add(Outcome.EASE);
    return new Said(
        words.of(open, followed),
        open.kept().now().version().reason(),
        new Terms(
            open.kept().diary().pace(),
            open.kept().diary().policy(),
            open.kept().allowedBy().filter(me.id()::equals).isPresent()),
        followed.isPresent(),
        today(client).plusDays(Cadence.days(decided)));
  }

  private LocalDate today(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone());
  }

  private Proposal proposal(Me me, Client client, Open open, Said said) {
    Map<Integer, Optional<Dose>> doses = Agreed.doses(open.agreed(), open.program());
    if (said.whole()) doses = open.followed(doses);
    LocalDate today = today(client);
    return new Proposal(
        open,
        drafts.proposed(me, client, open.kept().now(), doses, said.note()),
        said,
        Stream.of(Policy.values()).map(p -> new PolicyOffered(p, against(open, p))).toList(),
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
    if (said.whole() && open.whole().isEmpty()) {
      throw new Refused("Nothing is suggested for the whole any more: look at it once more.");
    }
    List<String> against = against(open, said.terms().policy());
    if (!against.isEmpty()) {
      throw new Refused(
          "%s is refused: %s.".formatted(said.terms().policy().code(), String.join("; ", against)));
    }
    ReviewRow row = keep(me, client, proposal, share, false);
    clients.choose(me, clientId, said.terms().policy());
    choices.deleteAll(choices.findByKeyClientId(clientId));
    clients.answered(clientId, Attention.BY_ITSELF);
    return made(row);
  }

  /** Makes it, and keeps what was decided and on what. */
  private ReviewRow keep(Me me, Client client, Proposal proposal, boolean share, boolean itself) {
    Open open = proposal.open();
    Said said = proposal.said();
    Integer number = proposal.changes() ? put(me, client, proposal, share, said.why()) : null;
    ReviewRow row =
        reviews.save(
            new ReviewRow(
                client.getId(),
                clock.instant(),
                me.id(),
                Decision.RULES,
                open.kept().now().version().number(),
                number,
                number != null && share,
                open.whole().filter(w -> said.whole()),
                itself,
                said.terms(),
                said.next(),
                kept(open)));
    diaries.keep(row, open.kept().diary());
    publisher.publishEvent(new ReviewMade(client.getId()));
    audit.changed(
        me,
        client.getId(),
        itself ? "review by itself" : "review",
        number == null ? "nothing changes" : "version " + number);
    return row;
  }

  // ---- what is made by itself --------------------------------------------------------------

  /** Whose last review allows that it is eased by itself. */
  @Transactional(readOnly = true)
  public List<UUID> automatic() {
    return reviews.automatic();
  }

  /**
   * Makes what may be made by itself: by who has allowed it, with nobody in the middle of it, and
   * not twice before somebody has seen it.
   *
   * @return empty where nothing is to be made, or it is left to a practitioner
   * @throws Refused with the reason; nothing was done then
   */
  @Changes
  public Optional<Made> byItself(UUID clientId) {
    Client client = clients.lock(clients.byId(clientId));
    List<ReviewRow> rows = reviews.findByClientIdOrderByMadeAtDesc(clientId);
    Optional<Me> allowed =
        ofEpisode(rows, client)
            .filter(r -> r.terms().automatic())
            .flatMap(r -> accounts.treating(r.madeBy()))
            .filter(me -> me.practiceId().equals(client.practiceId()));
    if (client.archived() || allowed.isEmpty() || waits(clientId)) return Optional.empty();
    Me me = allowed.get();
    Optional<Open> open =
        diaries.of(client, rows).map(kept -> open(client, kept)).filter(ReviewService::untouched);
    if (open.isEmpty() || drafts.state(me, client, ProgramKind.MAIN).started()) {
      return Optional.empty();
    }
    LocalDate due = due(client, ofEpisode(rows, client), open.get().kept().now().version());
    Optional<List<Agreed>> agreed = Automatic.of(open.get().review(), !today(client).isBefore(due));
    return agreed.map(all -> byItself(me, client, open.get().with(all, me.name())));
  }

  /** Where the gate is open, nobody is away, and nobody has chosen on anything. */
  private static boolean untouched(Open open) {
    Diary diary = open.kept().diary();
    LocalDate today = diary.today();
    return diary.allowed().isPresent() && !diary.paused(today) && open.agreed().isEmpty();
  }

  /** Whether the last one made by itself waits to be seen. */
  private boolean waits(UUID clientId) {
    return clients.matters(clientId).stream().anyMatch(m -> m.as() == Attention.BY_ITSELF);
  }

  private Made byItself(Me me, Client client, Open open) {
    Said usual = usual(me, client, open, false);
    Said said =
        new Said(
            words.byItself(open, me.name()),
            usual.why(),
            usual.terms(),
            usual.whole(),
            usual.next());
    Proposal proposal = proposal(me, client, open, said);
    ReviewRow row = keep(me, client, proposal, true, true);
    if (!proposal.changes()) messages.tell(me, client.getId(), said.note());
    String what = proposal.changes() ? "eased" : "stays as it is";
    clients.raise(
        client.getId(), Attention.BY_ITSELF, "%s, as %s allowed".formatted(what, me.name()));
    return made(row);
  }

  /** The newest review, where it was made by itself. */
  @Transactional(readOnly = true)
  public Optional<Made> newestByItself(Client client) {
    return reviews
        .findFirstByClientIdAndMadeAtGreaterThanEqualOrderByMadeAtDesc(
            client.getId(), client.episodeSince())
        .filter(ReviewRow::byItself)
        .map(this::made);
  }

  /** Somebody has looked at what was made by itself; it stays. */
  @Changes
  public void seen(Me me, UUID clientId) {
    clients.lock(me, clientId);
    clients.answered(clientId, Attention.BY_ITSELF);
    audit.changed(me, clientId, "review by itself", "seen");
  }

  /**
   * Shares again what was in force before it was eased by itself; what is warned of takes a reason,
   * and so goes through Plan.
   *
   * @throws Refused with the reason; nothing was done then
   */
  @Changes
  public void takeBack(Me me, UUID clientId, UUID id) {
    Client client = clients.lock(me, clientId);
    ReviewRow row = reviews.findByIdAndClientId(id, clientId).orElseThrow(NotFound::new);
    VersionService.Replay now =
        versions.latest(client, ProgramKind.MAIN).orElseThrow(NotFound::new);
    if (!row.byItself() || !row.toVersion().equals(OptionalInt.of(now.version().number()))) {
      throw new Refused("Something else is in force by now: change it in Plan.");
    }
    DraftService.State state = drafts.state(me, client, ProgramKind.MAIN);
    if (state.started()) {
      throw new Refused(
          "%s is being written already: change it there.".formatted(state.next().words()));
    }
    ProgramVersion.Name before = new ProgramVersion.Name(ProgramKind.MAIN, row.ofVersion());
    DraftService.State then = done(drafts.takeBack(me, clientId, before, state.seq()));
    DraftEdit note = new DraftEdit.SetNote(Optional.of(words.takenBack(me.name())));
    then = done(drafts.edit(me, clientId, ProgramKind.MAIN, then.seq(), note));
    shared(drafts.share(me, clientId, ProgramKind.MAIN, then.seq(), ""));
    clients.answered(clientId, Attention.BY_ITSELF);
    audit.changed(me, clientId, "review by itself", "taken back");
  }

  /** What speaks against a policy; with a gate that is closed all but the strictest is refused. */
  private static List<String> against(Open open, Policy policy) {
    return open.kept()
        .diary()
        .allowed()
        .map(a -> policy.against(a.assessment()))
        .orElse(policy == Policy.COMFORT_FIRST ? List.of() : List.of("the gate is closed"));
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
    if (share) shared(drafts.share(me, client.getId(), ProgramKind.MAIN, then.seq(), why));
    return next.number();
  }

  private static void shared(DraftService.Outcome outcome) {
    if (outcome instanceof DraftService.Outcome.Refused refused) throw new Refused(refused.why());
    if (!(outcome instanceof DraftService.Outcome.Shared)) done(outcome);
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

  /** All that were made, the newest first. */
  @Transactional(readOnly = true)
  public List<Made> all(UUID clientId) {
    return reviews.findByClientIdOrderByMadeAtDesc(clientId).stream().map(this::made).toList();
  }

  @Transactional(readOnly = true)
  public Made of(UUID clientId, UUID id) {
    return reviews.findByIdAndClientId(id, clientId).map(this::made).orElseThrow(NotFound::new);
  }

  /**
   * What a review was made on.
   *
   * @return empty for one from before that was kept, or where an exercise of it is gone
   */
  @Transactional(readOnly = true)
  public Optional<Diary> diary(UUID clientId, UUID id) {
    return reviews.findByIdAndClientId(id, clientId).flatMap(diaries::asItWas);
  }

  /** The same as a document, whatever has become of its exercises. */
  @Transactional(readOnly = true)
  public String document(UUID clientId, UUID id) {
    return reviews
        .findByIdAndClientId(id, clientId)
        .flatMap(row -> diaries.document(row.getId()))
        .orElseThrow(NotFound::new);
  }

  /** What a review is made on; empty while there is nothing to review. */
  @Transactional(readOnly = true)
  public Optional<DiaryService.Kept> kept(Client client) {
    return diaries.of(client, reviews.findByClientIdOrderByMadeAtDesc(client.getId()));
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
        row.byItself(),
        row.rules(),
        row.ofVersion(),
        row.toVersion(),
        row.shared(),
        row.whole(),
        row.terms(),
        row.nextOn(),
        row.decided());
  }
}
