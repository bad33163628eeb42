package org.biokinet.app.account;

import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Checks somebody's mail address and password, throttled by address. */
@Component
public class SignIn implements AuthenticationProvider {

  private final Practitioners practitioners;
  private final AccountService accounts;
  private final PasswordEncoder passwords;
  private final Throttle throttle;
  private final SignInHistory history;

  /** Compared with when nobody has the address, so that both answers take as long. */
  private final String nobodysHash;

  SignIn(
      Practitioners practitioners,
      AccountService accounts,
      PasswordEncoder passwords,
      Throttle throttle,
      SignInHistory history) {
    this.practitioners = practitioners;
    this.accounts = accounts;
    this.passwords = passwords;
    this.throttle = throttle;
    this.history = history;
    this.nobodysHash = passwords.encode("nobody has this password");
  }

  @Override
  public Authentication authenticate(Authentication typed) {
    String email = typed.getName().strip().toLowerCase(Locale.ROOT);
    String password = String.valueOf(typed.getCredentials());
    String bucket = "sign-in " + email;
    Optional<Practitioner> found = practitioners.findByEmail(email);
    Optional<Duration> wait = throttle.waiting(bucket);
    if (wait.isPresent()) {
      found.ifPresent(p -> history.tried(p.getId(), SignInRow.Outcome.LOCKED));
      throw new LockedException("wait %d min".formatted(wait.get().toMinutes() + 1));
    }
    boolean right =
        passwords.matches(password, found.map(Practitioner::passwordHash).orElse(nobodysHash));
    if (found.isEmpty() || !right || !found.get().active()) {
      throttle.failed(bucket);
      found.ifPresent(p -> history.tried(p.getId(), SignInRow.Outcome.WRONG));
      throw new BadCredentialsException("wrong");
    }
    throttle.succeeded(bucket);
    Practitioner p = found.get();
    history.tried(p.getId(), SignInRow.Outcome.IN);
    Me me = accounts.me(p);
    return UsernamePasswordAuthenticationToken.authenticated(
        me, null, AuthorityUtils.createAuthorityList(me.role().authorities()));
  }

  @Override
  public boolean supports(Class<?> type) {
    return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
  }
}
