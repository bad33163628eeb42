package org.biokinet.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Numbers as they are typed at a desk; all of them invented. */
class PhonesTest {

  @ParameterizedTest
  @ValueSource(strings = {"555 0171", "+351 555 0177", "(0)555-0177", "+351/5550190", "555.0171"})
  void whatSomebodyCanCallIsRead(String typed) {
    assertThat(Phones.readable(typed)).isTrue();
    assertThat(Phones.same(typed, typed)).isTrue();
  }

  @ParameterizedTest
  @ValueSource(strings = {"", " ", "call me", "ask Rui", "+", "1"})
  void whatIsNoNumberIsNot(String typed) {
    assertThat(Phones.readable(typed)).isFalse();
  }

  @ParameterizedTest
  @CsvSource({
    "+351/5550190, +351 555 0190, true",
    "555 0190, 5550190, true",
    "+351 555 0190, 555 0190, true",
    "+351 555 0190, +44 555 0190, false",
    "555 0190, 555 0191, false",
    "call me, 555 0190, false"
  })
  void theSameNumberIsKnownHoweverItIsTyped(String one, String other, boolean same) {
    assertThat(Phones.same(one, other)).isEqualTo(same);
  }

  @Test
  void aTelephoneDialsDigitsAndPlus() {
    assertThat(Phones.dialled("+351 (555) 01-77")).isEqualTo("+3515550177");
  }
}
