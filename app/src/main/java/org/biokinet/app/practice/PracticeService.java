package org.biokinet.app.practice;

import java.time.Clock;
import java.time.ZoneId;
import java.util.UUID;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.internal.PracticeRow;
import org.biokinet.app.practice.internal.Practices;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Practices, and whether what one shares has changed. */
@Service
public class PracticeService {

  private final Practices practices;
  private final Clock clock;

  PracticeService(Practices practices, Clock clock) {
    this.practices = practices;
    this.clock = clock;
  }

  @Changes
  public Practice add(String name, ZoneId zone, String phone) {
    return practices.save(new PracticeRow(name, zone, phone, clock.instant())).practice();
  }

  @Transactional(readOnly = true)
  public Practice practice(UUID id) {
    return practices.findById(id).map(PracticeRow::practice).orElseThrow();
  }

  /** Whether what is kept of a practice still holds. */
  @Transactional(readOnly = true)
  public PracticeStamp stamp(UUID practiceId) {
    return new PracticeStamp(practiceId, practices.changes(practiceId));
  }

  /** Held until the transaction ends: whoever changes what a practice shares waits in line here. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void lock(Me me) {
    practices.change(me.practiceId());
  }
}
