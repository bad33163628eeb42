package org.biokinet.app.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.people.internal.PractitionerRow;
import org.biokinet.app.people.internal.Practitioners;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.practice.Role;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The people of practices, as everybody else needs them. */
@Service
public class AccountService {

  private final PracticeService practices;
  private final Practitioners practitioners;
  private final PasswordEncoder passwords;
  private final Audit audit;
  private final Clock clock;

  /** Nobody is renamed, so any process may keep its own. */
  private final Cache<UUID, String> names = Caffeine.newBuilder().maximumSize(10_000).build();

  AccountService(
      PracticeService practices,
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

  /** Adds somebody; the mail address must be free. */
  @Changes
  public Me addPractitioner(
      Practice practice, String email, String name, Role role, String password) {
    PractitionerRow p =
        practitioners.save(
            new PractitionerRow(
                practice.id(),
                email.toLowerCase(Locale.ROOT),
                name,
                role,
                passwords.encode(password),
                clock.instant()));
    return me(p, practice);
  }

  /** Somebody by the address that they sign in with. */
  @Transactional(readOnly = true)
  public Optional<Me> find(String email) {
    return practitioners.findByEmail(email).map(this::me);
  }

  @Transactional(readOnly = true)
  Me me(PractitionerRow p) {
    return me(p, practices.practice(p.practiceId()));
  }

  private static Me me(PractitionerRow p, Practice practice) {
    return new Me(
        p.getId(), practice.id(), p.name(), practice.name(), practice.zone().getId(), p.role());
  }

  /** Somebody who treats; empty where they have left, or do not treat any more. */
  @Transactional(readOnly = true)
  public Optional<Me> treating(UUID id) {
    return practitioners.findById(id).filter(p -> p.active() && p.role().clinical()).map(this::me);
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
        .collect(Collectors.toMap(PractitionerRow::getId, PractitionerRow::name));
  }

  @Transactional(readOnly = true)
  public String practitionerName(UUID id) {
    return names.get(id, x -> practitioners.findById(x).map(PractitionerRow::name).orElse(""));
  }

  @Transactional(readOnly = true)
  public boolean usesSingleKeys(Me me) {
    return practitioners.findById(me.id()).map(PractitionerRow::singleKeys).orElse(true);
  }

  @Transactional(readOnly = true)
  public boolean usesFacingView(Me me) {
    return practitioners.findById(me.id()).map(PractitionerRow::facingView).orElse(false);
  }

  @Changes
  void setPassword(Me me, String hash) {
    PractitionerRow p = practitioners.findById(me.id()).orElseThrow();
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
