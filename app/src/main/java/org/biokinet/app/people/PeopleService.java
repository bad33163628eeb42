package org.biokinet.app.people;

import jakarta.persistence.LockModeType;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.people.internal.PasswordLinkRow;
import org.biokinet.app.people.internal.PractitionerRow;
import org.biokinet.app.people.internal.Practitioners;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Secrets;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.practice.Role;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The people of a practice: who comes, who goes, and passwords. Nothing is mailed: an owner hands
 * over a link that works once, for a day.
 */
@Service
public class PeopleService {

  /** How long a link to choose a password works; our choice. */
  static final Duration LINK_LASTS = Duration.ofDays(1);

  /** After common advice to ask for length rather than signs; 12 is our choice. */
  static final int LEAST_PASSWORD = 12;

  static final int LONGEST_PASSWORD = 72;

  interface Links extends JpaRepository<PasswordLinkRow, UUID> {
    Optional<PasswordLinkRow> findByTokenHash(String hash);

    List<PasswordLinkRow> findByPractitionerIdAndUsedAtIsNull(UUID practitionerId);

    /** Held until the transaction ends: it works once. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select l from PasswordLinkRow l where l.tokenHash = :hash")
    Optional<PasswordLinkRow> lock(String hash);
  }

  private final AccountService accounts;
  private final PracticeService practices;
  private final SignIn signIn;
  private final Practitioners practitioners;
  private final Links links;
  private final PasswordEncoder passwords;
  private final FindByIndexNameSessionRepository<? extends Session> sessions;
  private final Audit audit;
  private final Clock clock;

  PeopleService(
      AccountService accounts,
      PracticeService practices,
      SignIn signIn,
      Practitioners practitioners,
      Links links,
      PasswordEncoder passwords,
      FindByIndexNameSessionRepository<? extends Session> sessions,
      Audit audit,
      Clock clock) {
    this.accounts = accounts;
    this.practices = practices;
    this.signIn = signIn;
    this.practitioners = practitioners;
    this.links = links;
    this.passwords = passwords;
    this.sessions = sessions;
    this.audit = audit;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<Person> all(Me me) {
    return practitioners.findByPracticeIdOrderByName(me.practiceId()).stream()
        .map(PractitionerRow::person)
        .toList();
  }

  /**
   * Adds somebody, who chooses a password through the link.
   *
   * @return the token of the link, or empty when somebody has this address
   */
  @Changes
  public Optional<String> add(Me me, String name, String email, Role role) {
    String address = email.toLowerCase(Locale.ROOT);
    if (practitioners.findByEmail(address).isPresent()) return Optional.empty();
    PractitionerRow p =
        practitioners.save(
            new PractitionerRow(
                me.practiceId(),
                address,
                name,
                role,
                passwords.encode(Secrets.token()),
                clock.instant()));
    audit.practiceChanged(me, "person added", "%s, %s".formatted(name, role.label()));
    return Optional.of(link(me, p));
  }

  /** A new link to choose a password; the earlier ones end, the password holds until then. */
  @Changes
  public String passwordLink(Me me, UUID id) {
    practices.lock(me);
    PractitionerRow p = mine(me, id);
    audit.practiceChanged(me, "password link", p.name());
    return link(me, p);
  }

  private String link(Me me, PractitionerRow p) {
    Instant now = clock.instant();
    links.findByPractitionerIdAndUsedAtIsNull(p.getId()).forEach(l -> l.use(now));
    String token = Secrets.token();
    links.save(new PasswordLinkRow(p.getId(), Secrets.hash(token), me.id(), now));
    return token;
  }

  /** What became of a change of role or place. */
  public enum Changed {
    DONE,
    /** A practice needs somebody who can let others in. */
    LAST_OWNER
  }

  @Changes
  public Changed setRole(Me me, UUID id, Role role) {
    practices.lock(me); // two owners who step down at once take turns
    PractitionerRow p = mine(me, id);
    if (role != Role.OWNER && lastOwner(p)) return Changed.LAST_OWNER;
    if (p.role() == role) return Changed.DONE;
    p.setRole(role);
    audit.practiceChanged(me, "role", "%s: %s".formatted(p.name(), role.label()));
    signOutEverywhere(p.getId());
    return Changed.DONE;
  }

  /** Ends somebody's way in, at once; what they did stays under their name. */
  @Changes
  public Changed leave(Me me, UUID id) {
    practices.lock(me);
    PractitionerRow p = mine(me, id);
    if (lastOwner(p)) return Changed.LAST_OWNER;
    p.leave(clock.instant());
    links.findByPractitionerIdAndUsedAtIsNull(id).forEach(l -> l.use(clock.instant()));
    audit.practiceChanged(me, "person left", p.name());
    signOutEverywhere(id);
    return Changed.DONE;
  }

  @Changes
  public void comeBack(Me me, UUID id) {
    PractitionerRow p = mine(me, id);
    p.comeBack();
    audit.practiceChanged(me, "person back", p.name());
  }

  private boolean lastOwner(PractitionerRow p) {
    return p.active()
        && p.role() == Role.OWNER
        && practitioners.findByPracticeIdOrderByName(p.practiceId()).stream()
                .filter(o -> o.active() && o.role() == Role.OWNER)
                .count()
            == 1;
  }

  private PractitionerRow mine(Me me, UUID id) {
    return practitioners.findByIdAndPracticeId(id, me.practiceId()).orElseThrow(NotFound::new);
  }

  /** What is wrong with a new password, for the person who typed it; empty when it will do. */
  public static Optional<String> problem(String password, String again) {
    if (password.length() < LEAST_PASSWORD) {
      return Optional.of("At least %d characters; a few words do well.".formatted(LEAST_PASSWORD));
    }
    if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD) {
      return Optional.of("At most %d bytes.".formatted(LONGEST_PASSWORD));
    }
    return password.equals(again)
        ? Optional.empty()
        : Optional.of("The two are not the same; type the second once more.");
  }

  /** Who may choose a password by this link; empty when it is used, old or unknown. */
  @Transactional(readOnly = true)
  public Optional<String> mayChoose(String token) {
    return live(token)
        .flatMap(l -> practitioners.findById(l.practitionerId()))
        .map(PractitionerRow::name);
  }

  private Optional<PasswordLinkRow> live(String token) {
    return links.findByTokenHash(Secrets.hash(token)).filter(this::live);
  }

  private boolean live(PasswordLinkRow link) {
    return !link.used() && link.madeAt().isAfter(clock.instant().minus(LINK_LASTS));
  }

  /** Sets a password by a link; ends the link and every session of that person. */
  @Changes
  public boolean choose(String token, String password) {
    Optional<PasswordLinkRow> link = links.lock(Secrets.hash(token)).filter(this::live);
    if (link.isEmpty() || problem(password, password).isPresent()) return false;
    PractitionerRow p = practitioners.findById(link.get().practitionerId()).orElseThrow();
    link.get().use(clock.instant());
    p.setPasswordHash(passwords.encode(password));
    audit.ofPractice(p.practiceId(), p.getId(), "password chosen", p.name());
    signOutEverywhere(p.getId());
    return true;
  }

  /**
   * Changes my own password and ends my sessions on every other device.
   *
   * @param present as typed
   * @param here the session that stays
   * @return what came of the present password; nothing is changed unless it was right
   */
  public Throttle.Outcome changeMine(Me me, String present, String password, String here) {
    Throttle.Outcome outcome = signIn.present(me, present);
    if (outcome == Throttle.Outcome.RIGHT) {
      accounts.setPassword(me, passwords.encode(password));
      signOutEverywhere(me.id(), here);
    }
    return outcome;
  }

  private void signOutEverywhere(UUID id) {
    signOutEverywhere(id, "");
  }

  private void signOutEverywhere(UUID id, String but) {
    sessions.findByPrincipalName(id.toString()).keySet().stream()
        .filter(session -> !session.equals(but))
        .forEach(sessions::deleteById);
  }
}
