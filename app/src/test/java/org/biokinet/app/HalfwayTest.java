package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doThrow;

import java.time.Duration;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.bean.override.mockito.MockitoSpyBean;
import org.springframework.test.util.AopTestUtils;

/** The last thing that a change does is to note it; where that fails, nothing of it is there. */
class HalfwayTest extends AppTest {

  /** Fails once, on cue, and works again. */
  @MockitoSpyBean Audit audit;

  @Test
  void aStopThatCannotBeNotedIsNotKeptByHalfAndComesAgain() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    clock.moveTo(clock.instant().plus(Duration.ofHours(1)));
    SessionUpload upload = session(client, clock.instant().minusSeconds(600), Ended.STOPPED);
    doThrow(new IllegalStateException("no room"))
        .doCallRealMethod()
        .when(AopTestUtils.<Audit>getUltimateTargetObject(audit))
        .changedByClient(any(), any(), eq("session"), any());
    assertThatThrownBy(() -> sessions.record(asClient(client), upload))
        .isInstanceOf(IllegalStateException.class);
    assertThat(sessions.page(client.getId(), 0, 1)).isEmpty();
    assertThat(standing(client).attention()).isNotEqualTo(Attention.STOPPED);
    assertThat(screenings.of(client).gate().open()).as("the gate").isTrue();
    sessions.record(asClient(client), upload);
    assertThat(sessions.page(client.getId(), 0, 2)).hasSize(1);
    assertThat(standing(client).attention()).isEqualTo(Attention.STOPPED);
  }

  @Test
  void aVersionThatCannotBeNotedIsNotShared() {
    Me me = practitioner();
    Client client = client(me);
    doThrow(new IllegalStateException("no room"))
        .doCallRealMethod()
        .when(AopTestUtils.<Audit>getUltimateTargetObject(audit))
        .changed(any(), any(), eq("shared"), any());
    assertThatThrownBy(() -> share(me, client, "chin-tuck", "3x10s"))
        .isInstanceOf(IllegalStateException.class);
    assertThat(versions.latest(client, ProgramKind.MAIN)).isEmpty();
    int seq = drafts.state(me, client.getId(), ProgramKind.MAIN).seq();
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, seq, "It is only a test."))
        .as("the draft is as it was")
        .isNotNull();
    assertThat(versions.latest(client, ProgramKind.MAIN)).isPresent();
  }
}
