package org.biokinet.core.dose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class PainTest {
  @Test
  void sixMayStartAndSevenMayNot() {
    assertThat(new Pain(6).mayStart()).isTrue();
    assertThat(new Pain(7).mayStart()).isFalse();
    assertThatThrownBy(() -> new Pain(11)).hasMessage("pain is 0 to 10, not 11");
  }
}
