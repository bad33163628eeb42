package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.cookie;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.Instant;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.LinkService;
import org.biokinet.app.client.LinkService.Opening;
import org.biokinet.app.support.NotFound;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;

/** The client's way in. */
class LinkTest extends AppTest {

  @Test
  void theRightPinLeadsToACleanAddress() throws Exception {
    Me me = practitioner();
    LinkService.Made made = links.make(me, client(me).getId());
    mvc.perform(post("/c/" + made.token()).param("pin", made.pin()).with(csrf()))
        .andExpect(redirectedUrl("/me/today"))
        .andExpect(cookie().httpOnly("biokinet-client", true));
  }

  @Test
  void aWrongPinSaysSoAndAfterFiveThereIsAPauseThatPasses() throws Exception {
    Me me = practitioner();
    LinkService.Made made = links.make(me, client(me).getId());
    String wrong = made.pin().equals("000000") ? "111111" : "000000";
    mvc.perform(post("/c/" + made.token()).param("pin", wrong).with(csrf()))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("That PIN is not right")));
    for (int i = 0; i < 4; i++) links.open(made.token(), wrong);
    assertThat(links.open(made.token(), made.pin())).isInstanceOf(Opening.Wait.class);
    mvc.perform(post("/c/" + made.token()).param("pin", made.pin()).with(csrf()))
        .andExpect(status().isTooManyRequests());
    clock.moveTo(Instant.now().plus(Duration.ofMinutes(2)));
    assertThat(links.open(made.token(), made.pin())).isInstanceOf(Opening.Opened.class);
  }

  @Test
  void aNewLinkEndsTheOldOneAndItsDevices() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    LinkService.Made first = links.make(me, client.getId());
    Cookie device =
        new Cookie(
            "biokinet-client", ((Opening.Opened) links.open(first.token(), first.pin())).cookie());
    mvc.perform(get("/me/today").cookie(device)).andExpect(status().isOk());
    links.make(me, client.getId());
    mvc.perform(get("/me/today").cookie(device)).andExpect(redirectedUrl("/me/gone"));
    assertThatThrownBy(() -> links.open(first.token(), first.pin())).isInstanceOf(NotFound.class);
    mvc.perform(get("/c/" + first.token())).andExpect(status().isNotFound());
  }

  @Test
  void aDeviceIsForgottenInTheEnd() throws Exception {
    Me me = practitioner();
    Cookie device = device(me, client(me));
    clock.moveTo(Instant.now().plus(Duration.ofDays(181)));
    mvc.perform(get("/me/today").cookie(device)).andExpect(redirectedUrl("/me/gone"));
  }

  @Test
  void guessingAPasswordIsSlowedDown() throws Exception {
    String email = "nobody-" + System.identityHashCode(this) + "@practice.example";
    for (int i = 0; i < 5; i++) {
      mvc.perform(post("/sign-in").param("email", email).param("password", "guess").with(csrf()))
          .andExpect(redirectedUrl("/sign-in?wrong"));
    }
    mvc.perform(post("/sign-in").param("email", email).param("password", "guess").with(csrf()))
        .andExpect(redirectedUrl("/sign-in?wait"));
  }
}
