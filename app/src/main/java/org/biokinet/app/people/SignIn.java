package org.biokinet.app.people;

import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.people.internal.PractitionerRow;
import org.biokinet.app.people.internal.Practitioners;
import org.biokinet.app.practice.Me;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Checks somebody's mail address and password, throttled by address and sender. */
@Component
public class SignIn implements AuthenticationProvider {

  /** The longest address that mail can have (RFC 5321). */
  public static final int LONGEST_EMAIL = 254;

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
    // Longer than any address: nobody's, and not worth a look.
    if (email.length() > LONGEST_EMAIL) throw new BadCredentialsException("wrong");
    Optional<PractitionerRow> found = practitioners.findByEmail(email);
    Throttle.Try tried =
        check(
            email,
            password,
            found.filter(PractitionerRow::active).map(PractitionerRow::passwordHash));
    found.ifPresent(p -> history.tried(p.getId(), outcome(tried)));
    if (tried.outcome() == Throttle.Outcome.WAIT) throw new LockedException("wait");
    if (tried.outcome() == Throttle.Outcome.WRONG) throw new BadCredentialsException("wrong");
    Me me = accounts.me(found.orElseThrow());
    return UsernamePasswordAuthenticationToken.authenticated(
        me, null, AuthorityUtils.createAuthorityList(me.role().authorities()));
  }

  /** Whether this is my present password; every wrong try is counted and on my page. */
  Throttle.Outcome present(Me me, String password) {
    PractitionerRow p = practitioners.findById(me.id()).orElseThrow();
    Throttle.Try tried = check(p.email(), password, Optional.of(p.passwordHash()));
    if (tried.outcome() != Throttle.Outcome.RIGHT) history.tried(p.getId(), outcome(tried));
    return tried.outcome();
  }

  private Throttle.Try check(String email, String password, Optional<String> hash) {
    return throttle.look(
        "sign-in " + email,
        Sender.address(),
        () -> passwords.matches(password, hash.orElse(nobodysHash)) && hash.isPresent());
  }

  private static SignInHistory.Outcome outcome(Throttle.Try tried) {
    return switch (tried.outcome()) {
      case RIGHT -> SignInHistory.Outcome.IN;
      case WRONG -> SignInHistory.Outcome.WRONG;
      case WAIT -> SignInHistory.Outcome.LOCKED;
    };
  }

  @Override
  public boolean supports(Class<?> type) {
    return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
  }
}
