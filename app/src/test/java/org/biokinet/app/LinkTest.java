package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.cookie;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.flash;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.request;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.view;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.access.LinkService.Opening;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.Contact;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

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
    for (int i = 0; i < 4; i++) links.open(made.token(), wrong, "");
    assertThat(links.open(made.token(), made.pin(), "")).isInstanceOf(Opening.Wait.class);
    mvc.perform(post("/c/" + made.token()).param("pin", made.pin()).with(csrf()))
        .andExpect(status().isTooManyRequests());
    clock.moveTo(Instant.now().plus(Duration.ofMinutes(2)));
    assertThat(links.open(made.token(), made.pin(), "")).isInstanceOf(Opening.Opened.class);
  }

  @Test
  void aNewLinkEndsTheOldOneAndItsDevices() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    LinkService.Made first = links.make(me, client.getId());
    Cookie device =
        new Cookie(
            "biokinet-client",
            ((Opening.Opened) links.open(first.token(), first.pin(), "")).cookie());
    mvc.perform(get("/me/today").cookie(device)).andExpect(status().isOk());
    links.make(me, client.getId());
    mvc.perform(get("/me/today").cookie(device)).andExpect(redirectedUrl("/me/gone"));
    assertThatThrownBy(() -> links.open(first.token(), first.pin(), ""))
        .isInstanceOf(NotFound.class);
    mvc.perform(get("/c/" + first.token())).andExpect(status().isNotFound());
  }

  /** One device, two people: each by name and PIN, neither sees the other's page without it. */
  @Test
  void twoOnOneDeviceAreChosenByNameAndPin() throws Exception {
    Me me = practitioner();
    Client ada = client(me);
    Contact contact = Contact.of("Bo Example", LISBON);
    Client bo = clients.add(me, contact, Circumstances.of("forecaster"));
    LinkService.Made adas = links.make(me, ada.getId());
    LinkService.Made bos = links.make(me, bo.getId());
    String first = ((Opening.Opened) links.open(adas.token(), adas.pin(), "")).cookie();
    String both = ((Opening.Opened) links.open(bos.token(), bos.pin(), first)).cookie();
    assertThat(devices.clientOf(both).orElseThrow().id()).isEqualTo(bo.getId());
    assertThat(devices.known(both)).extracting(ClientMe::firstName).containsExactly("Bo", "Ada");
    mvc.perform(get("/c/who").cookie(device(both)))
        .andExpect(content().string(containsString("Open as Ada")))
        .andExpect(content().string(not(containsString("Open as Bo"))));
    mvc.perform(
            post("/c/who")
                .cookie(device(both))
                .with(csrf())
                .param("client", ada.getId().toString())
                .param("pin", bos.pin()))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(cookie().doesNotExist("biokinet-client"))
        .andExpect(content().string(containsString("That PIN is not right.")));
    String back = ((Opening.Opened) links.choose(both, ada.getId(), adas.pin())).cookie();
    assertThat(devices.clientOf(back).orElseThrow().id()).isEqualTo(ada.getId());
    assertThat(devices.known(back)).hasSize(2);
    // Opened once more the same person stands there once.
    String again = ((Opening.Opened) links.open(adas.token(), adas.pin(), back)).cookie();
    assertThat(devices.known(again)).hasSize(2);
    // Left, nobody is in; who was comes back by the PIN.
    String left = links.lock(again);
    mvc.perform(get("/me/today").cookie(device(left))).andExpect(redirectedUrl("/me/gone"));
    mvc.perform(get("/me/gone").cookie(device(left))).andExpect(redirectedUrl("/c/who"));
    assertThat(links.choose(left, bo.getId(), bos.pin())).isInstanceOf(Opening.Opened.class);
    // Whose link has ended is not there any more, nor is who never was.
    links.end(me, bo.getId());
    assertThat(devices.known(left)).extracting(ClientMe::firstName).containsExactly("Ada");
    assertThatThrownBy(() -> links.choose(left, bo.getId(), bos.pin()))
        .isInstanceOf(NotFound.class);
    assertThatThrownBy(() -> links.choose(left, client(me).getId(), adas.pin()))
        .isInstanceOf(NotFound.class);
  }

  private static Cookie device(String cookie) {
    return new Cookie("biokinet-client", cookie);
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

  /** Twenty-four at once: five are looked at, as if they had come one by one. */
  @Test
  void manyPinsAtOnceAreNoWayRound() throws Exception {
    Me me = practitioner();
    LinkService.Made made = links.make(me, client(me).getId());
    String wrong = made.pin().equals("000000") ? "111111" : "000000";
    AtomicInteger looked = new AtomicInteger();
    atOnce(
        24,
        () -> {
          if (links.open(made.token(), wrong, "") instanceof Opening.WrongPin)
            looked.incrementAndGet();
        });
    assertThat(looked).hasValue(5);
    assertThat(links.open(made.token(), made.pin(), "")).isInstanceOf(Opening.Wait.class);
  }

  /** The pause grows: one minute, two, four, up to an hour. */
  @Test
  void thePauseGrowsWithEveryTry() {
    Me me = practitioner();
    LinkService.Made made = links.make(me, client(me).getId());
    String wrong = made.pin().equals("000000") ? "111111" : "000000";
    for (int i = 0; i < 5; i++) links.open(made.token(), wrong, "");
    for (long minutes : new long[] {1, 2, 4, 8, 16, 32, 60, 60}) {
      Duration left = ((Opening.Wait) links.open(made.token(), wrong, "")).howLong();
      assertThat(left)
          .isBetween(Duration.ofMinutes(minutes).minusSeconds(5), Duration.ofMinutes(minutes));
      clock.moveTo(clock.instant().plus(left));
      assertThat(links.open(made.token(), wrong, "")).isInstanceOf(Opening.WrongPin.class);
    }
  }

  /** One address that tries one password with many accounts is slowed like one account is. */
  @Test
  void manyAccountsFromOneAddressAreSlowedDown() throws Exception {
    for (int i = 0; i < 28; i++) {
      String email = "%d-%s@practice.example".formatted(i, UUID.randomUUID());
      mvc.perform(
              post("/sign-in")
                  .param("email", email)
                  .param("password", "guess")
                  .with(csrf())
                  .with(from("203.0.113.7")))
          .andExpect(redirectedUrl(i < 20 ? "/sign-in?wrong" : "/sign-in?wait"));
    }
    mvc.perform(
            post("/sign-in")
                .param("email", UUID.randomUUID() + "@practice.example")
                .param("password", "guess")
                .with(csrf())
                .with(from("203.0.113.8")))
        .andExpect(redirectedUrl("/sign-in?wrong"));
  }

  private static RequestPostProcessor from(String address) {
    return request -> {
      request.setRemoteAddr(address);
      return request;
    };
  }

  /** A megabyte is no mail address: nothing of it is kept, and it is said like any wrong one. */
  @Test
  void aMegabyteIsNoMailAddress() throws Exception {
    mvc.perform(
            post("/sign-in")
                .param("email", "a".repeat(1_000_000))
                .param("password", "x")
                .with(csrf()))
        .andExpect(redirectedUrl("/sign-in?wrong"))
        .andExpect(request().sessionAttributeDoesNotExist("typedEmail"));
  }

  /** What was open for one client on this device is nobody's once another has come in. */
  @Test
  void openingALinkEndsTheFormsThatWereOpen() throws Exception {
    Me me = practitioner();
    LinkService.Made made = links.make(me, client(me).getId());
    mvc.perform(post("/c/" + made.token()).param("pin", made.pin()).with(csrf()))
        .andExpect(cookie().maxAge("biokinet-form", 0));
  }

  /** Whatever a request says of where we are, the client's link is where we were told we are. */
  @Test
  void aForeignHostIsNoPartOfTheLink() throws Exception {
    Me me = practitioner();
    String path = "/clients/" + client(me).getId() + "/link";
    mvc.perform(as(me, post(path)).header("Host", "evil.example"))
        .andExpect(flash().attribute("link", Matchers.startsWith("http://127.0.0.1:")));
    System.setProperty("biokinet.public-address", "https://practice.example/");
    try {
      mvc.perform(as(me, post(path)).header("X-Forwarded-Host", "evil.example"))
          .andExpect(flash().attribute("link", Matchers.startsWith("https://practice.example/c/")));
    } finally {
      System.clearProperty("biokinet.public-address");
    }
  }

  @Test
  void behindTlsCookiesAndPagesGoOverTlsOnly() throws Exception {
    Me me = practitioner();
    LinkService.Made made = links.make(me, client(me).getId());
    System.setProperty("biokinet.public-address", "https://practice.example");
    try {
      mvc.perform(post("/c/" + made.token()).param("pin", made.pin()).with(csrf()))
          .andExpect(cookie().secure("biokinet-client", true));
      mvc.perform(get("/sign-in"))
          .andExpect(header().string("Strict-Transport-Security", containsString("max-age=")));
    } finally {
      System.clearProperty("biokinet.public-address");
    }
    mvc.perform(get("/sign-in"))
        .andExpect(header().doesNotExist("Strict-Transport-Security"))
        .andExpect(header().string("Permissions-Policy", containsString("camera=()")))
        .andExpect(header().string("Cross-Origin-Opener-Policy", "same-origin"));
    mvc.perform(as(me, post("/sign-out")))
        .andExpect(header().string("Clear-Site-Data", "\"cache\""));
  }

  /** "Once on each device" is once: the same link asks again only of another client or device. */
  @Test
  void aDeviceThatIsLetInIsNotAskedAgain() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    LinkService.Made made = links.make(me, client.getId());
    LinkService.Opening opening = links.open(made.token(), made.pin(), "");
    Cookie own = new Cookie("biokinet-client", ((LinkService.Opening.Opened) opening).cookie());
    mvc.perform(get("/c/" + made.token()).cookie(own)).andExpect(redirectedUrl("/me/today"));
    mvc.perform(get("/c/" + made.token())).andExpect(view().name("access/pin"));
    Cookie other = device(me, client(me));
    mvc.perform(get("/c/" + made.token()).cookie(other)).andExpect(view().name("access/pin"));
  }
}
