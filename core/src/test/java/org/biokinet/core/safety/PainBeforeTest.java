package org.biokinet.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class PainBeforeTest {
  @Test
  void sixMayStartAndSevenMayNot() {
    assertThat(new PainBefore(6).mayStart()).isTrue();
    assertThat(new PainBefore(7).mayStart()).isFalse();
    assertThatThrownBy(() -> new PainBefore(11)).hasMessage("pain is 0 to 10, not 11");
  }
}
