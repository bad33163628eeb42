package org.biokinet.app.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.support.Changes;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Practices and their people. */
@Service
public class AccountService {

  private final Practices practices;
  private final Practitioners practitioners;
  private final PasswordEncoder passwords;
  private final Audit audit;
  private final Clock clock;

  /** Nobody is renamed, so any process may keep its own. */
  private final Cache<UUID, String> names = Caffeine.newBuilder().maximumSize(10_000).build();

  AccountService(
      Practices practices,
      Practitioners practitioners,
      PasswordEncoder passwords,
      Audit audit,
      Clock clock) {
    this.practices = practices;
    this.practitioners = practitioners;
    this.passwords = passwords;
    this.audit = audit;
    this.clock = clock;
  }

  @Changes
  public Practice addPractice(String name, ZoneId zone, String phone) {
    return practices.save(new Practice(name, zone, phone, clock.instant()));
  }

  /** Adds somebody; the mail address must be free. */
  @Changes
  public Me addPractitioner(
      Practice practice, String email, String name, Role role, String password) {
    Practitioner p =
        practitioners.save(
            new Practitioner(
                practice.getId(),
                email.toLowerCase(Locale.ROOT),
                name,
                role,
                passwords.encode(password),
                clock.instant()));
    return me(p, practice);
  }

  @Transactional(readOnly = true)
  public Me me(Practitioner p) {
    return me(p, practice(p.practiceId()));
  }

  private static Me me(Practitioner p, Practice practice) {
    return new Me(
        p.getId(), practice.getId(), p.name(), practice.name(), practice.zone().getId(), p.role());
  }

  /** Somebody whose clients these can be. */
  public record Colleague(UUID id, String name) {}

  /** Those of my practice who treat, by name. */
  @Transactional(readOnly = true)
  public List<Colleague> colleagues(Me me) {
    return practitioners.findByPracticeIdOrderByName(me.practiceId()).stream()
        .filter(p -> p.active() && p.role().clinical())
        .map(p -> new Colleague(p.getId(), p.name()))
        .toList();
  }

  /** What everybody is called who is or was of my practice. */
  @Transactional(readOnly = true)
  public Map<UUID, String> names(Me me) {
    return practitioners.findByPracticeIdOrderByName(me.practiceId()).stream()
        .collect(Collectors.toMap(Practitioner::getId, Practitioner::name));
  }

  @Transactional(readOnly = true)
  public Practice practice(UUID id) {
    return practices.findById(id).orElseThrow();
  }

  /** Whether what is kept of a practice still holds. */
  @Transactional(readOnly = true)
  public PracticeStamp stamp(UUID practiceId) {
    return new PracticeStamp(practiceId, practices.changes(practiceId));
  }

  /** Held until the transaction ends: whoever changes what a practice shares waits in line here. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void lockPractice(Me me) {
    practices.change(me.practiceId());
  }

  @Transactional(readOnly = true)
  public String practitionerName(UUID id) {
    return names.get(id, x -> practitioners.findById(x).map(Practitioner::name).orElse(""));
  }

  @Transactional(readOnly = true)
  public boolean usesSingleKeys(Me me) {
    return practitioners.findById(me.id()).map(Practitioner::singleKeys).orElse(true);
  }

  @Transactional(readOnly = true)
  public boolean usesFacingView(Me me) {
    return practitioners.findById(me.id()).map(Practitioner::facingView).orElse(false);
  }

  @Changes
  void setPassword(Me me, String hash) {
    Practitioner p = practitioners.findById(me.id()).orElseThrow();
    p.setPasswordHash(hash);
    audit.practiceChanged(me, "password changed", p.name());
  }

  @Changes
  public void useFacingView(Me me, boolean on) {
    practitioners.findById(me.id()).ifPresent(p -> p.useFacingView(on));
  }

  @Changes
  public void useSingleKeys(Me me, boolean on) {
    practitioners.findById(me.id()).ifPresent(p -> p.useSingleKeys(on));
  }
}
