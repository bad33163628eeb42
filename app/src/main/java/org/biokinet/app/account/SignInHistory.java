package org.biokinet.app.account;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.biokinet.app.support.Changes;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Who tried to sign in, when and from where; what was typed is never kept. */
@Service
class SignInHistory {

  interface Rows extends JpaRepository<SignInRow, UUID> {
    List<SignInRow> findByPractitionerIdOrderByAtDesc(UUID practitionerId, Limit limit);
  }

  private static final int LONGEST_ADDRESS = 64;
  private static final int LONGEST_DEVICE = 200;

  private final Rows rows;
  private final Clock clock;

  SignInHistory(Rows rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  @Changes
  public void tried(UUID practitionerId, SignInRow.Outcome outcome) {
    String address = "";
    String device = "";
    if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now) {
      HttpServletRequest request = now.getRequest();
      address = cut(request.getRemoteAddr(), LONGEST_ADDRESS);
      device = cut(Objects.requireNonNullElse(request.getHeader("User-Agent"), ""), LONGEST_DEVICE);
    }
    rows.save(new SignInRow(practitionerId, clock.instant(), outcome, address, device));
  }

  @Transactional(readOnly = true)
  public List<SignInRow> newest(UUID practitionerId, int most) {
    return rows.findByPractitionerIdOrderByAtDesc(practitionerId, Limit.of(most));
  }

  private static String cut(String text, int most) {
    return text.length() > most ? text.substring(0, most) : text;
  }
}
