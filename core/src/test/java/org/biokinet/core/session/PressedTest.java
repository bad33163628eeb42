package org.biokinet.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PressedTest {

  @Test
  void whatIsKeptIsReadAgainInItsOrder() {
    List<Pressed> pressed =
        List.of(
            new Pressed(Pressed.What.BACK, new ItemSide(12, Optional.of(Side.RIGHT)), 0),
            new Pressed(Pressed.What.TOO_STRONG, new ItemSide(0, Optional.empty()), 3599));
    assertThat(pressed)
        .extracting(Pressed::text)
        .containsExactly("BACK 12R 0", "TOO_STRONG 0 3599");
    assertThat(Pressed.all(pressed.stream().map(Pressed::text).toList())).isEqualTo(pressed);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"", "BACK", "BACK 3L", "BACK 3L -1", "FORTH 3L 5", "BACK 3X 5", "BACK  3 5"})
  void anotherFormIsRefused(String text) {
    assertThatThrownBy(() -> Pressed.of(text)).isInstanceOf(IllegalArgumentException.class);
  }
}
