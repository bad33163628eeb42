package org.biokinet.app.account;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Checks a practitioner's mail address and password, throttled by address. */
@Component
public class SignIn implements AuthenticationProvider {

  private final Practitioners practitioners;
  private final Practices practices;
  private final PasswordEncoder passwords;
  private final Throttle throttle;

  /** Compared with when nobody has the address, so that both answers take as long. */
  private final String nobodysHash;

  SignIn(
      Practitioners practitioners,
      Practices practices,
      PasswordEncoder passwords,
      Throttle throttle) {
    this.practitioners = practitioners;
    this.practices = practices;
    this.passwords = passwords;
    this.throttle = throttle;
    this.nobodysHash = passwords.encode("nobody has this password");
  }

  @Override
  public Authentication authenticate(Authentication typed) {
    String email = typed.getName().strip().toLowerCase(Locale.ROOT);
    String password = String.valueOf(typed.getCredentials());
    String bucket = "sign-in " + email;
    Optional<Duration> wait = throttle.waiting(bucket);
    if (wait.isPresent()) {
      throw new LockedException("wait %d min".formatted(wait.get().toMinutes() + 1));
    }
    Optional<Practitioner> found = practitioners.findByEmail(email);
    boolean right =
        passwords.matches(password, found.map(Practitioner::passwordHash).orElse(nobodysHash));
    if (found.isEmpty() || !right) {
      throttle.failed(bucket);
      throw new BadCredentialsException("wrong");
    }
    throttle.succeeded(bucket);
    Practitioner p = found.get();
    Practice practice = practices.findById(p.practiceId()).orElseThrow();
    Me me = new Me(p.getId(), p.practiceId(), p.name(), practice.name(), practice.zone().getId());
    return UsernamePasswordAuthenticationToken.authenticated(
        me, null, List.of(new SimpleGrantedAuthority("ROLE_PRACTITIONER")));
  }

  @Override
  public boolean supports(Class<?> type) {
    return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
  }
}
