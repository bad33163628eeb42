package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.icegreen.greenmail.util.GreenMail;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import jakarta.mail.SendFailedException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.ServerSocket;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.demo.MailStandIn;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Outbox;
import org.biokinet.app.mail.Posted;
import org.biokinet.app.mail.Posted.State;
import org.biokinet.app.mail.Postman;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.transaction.support.TransactionTemplate;

/** A link goes to the client by mail: once, without the PIN, and what became of it is told. */
class MailTest extends WithBrowser {

  @Autowired Outbox outbox;
  @Autowired Postman postman;
  @Autowired GreenMail server;
  @Autowired JavaMailSender sender;
  @Autowired TransactionTemplate transaction;
  @Autowired JdbcClient jdbc;

  private final String address = UUID.randomUUID() + "@client.example";

  private Client reachable(Me me) {
    return clients.add(
        me,
        Contact.of("Ada Example", LISBON).reachedBy("555 0101", address),
        Circumstances.of("forecaster"));
  }

  private List<MailStandIn.Received> inbox() {
    return MailStandIn.received(server).stream().filter(r -> r.to().equals(address)).toList();
  }

  private Posted newest(Client client) {
    return outbox.of(client.getId(), Letter.Kind.LINK).get(0);
  }

  private Postman by(JavaMailSender other) {
    return new Postman(outbox, Optional.of(other), "practice@harbourlane.example");
  }

  /** A mail server that answers every recipient like this. */
  private JavaMailSender answering(int code, String said) throws Exception {
    JavaMailSender mocked = mock(JavaMailSender.class);
    when(mocked.createMimeMessage()).thenAnswer(x -> sender.createMimeMessage());
    SMTPAddressFailedException reply =
        new SMTPAddressFailedException(new InternetAddress(address), "RCPT TO", code, said);
    MailSendException thrown =
        new MailSendException(
            Map.of(new Object(), new SendFailedException("Invalid Addresses", reply)));
    doThrow(thrown).when(mocked).send(any(MimeMessage.class));
    return mocked;
  }

  @Test
  void theLinkGoesOnceAndWithoutThePin() {
    Me me = practitioner();
    Client client = reachable(me);
    LinkService.Made made = links.make(me, client.getId());
    UUID letter = UUID.randomUUID();
    assertThat(links.mail(me, client.getId(), made.token(), letter)).isEmpty();
    assertThat(links.mail(me, client.getId(), made.token(), letter)).isEmpty();
    assertThat(inbox()).isEmpty();
    postman.round();
    postman.round();
    assertThat(inbox()).hasSize(1);
    String text = inbox().get(0).text();
    assertThat(text).contains("/c/" + made.token()).contains("Ada").doesNotContain(made.pin());
    assertThat(inbox().get(0).from()).contains(me.practice());
    assertThat(newest(client).state()).isEqualTo(State.SENT);
    // What was sent is not kept: it has the link in it.
    assertThat(kept(letter)).isEmpty();
  }

  private List<String> kept(UUID letter) {
    return jdbc.sql("select text from mail where id = ? and text is not null")
        .param(letter)
        .query(String.class)
        .list();
  }

  @Test
  void ofSeveralPostmenOneGetsIt() throws Exception {
    Me me = practitioner();
    Client client = reachable(me);
    LinkService.Made made = links.make(me, client.getId());
    links.mail(me, client.getId(), made.token(), UUID.randomUUID());
    atOnce(6, postman::round);
    assertThat(inbox()).hasSize(1);
  }

  /** What is rolled back was never written. */
  @Test
  void nothingIsSentOfWhatDidNotHappen() {
    Me me = practitioner();
    Client client = reachable(me);
    LinkService.Made made = links.make(me, client.getId());
    assertThatThrownBy(
            () ->
                transaction.executeWithoutResult(
                    status -> {
                      links.mail(me, client.getId(), made.token(), UUID.randomUUID());
                      throw new IllegalStateException("on cue");
                    }))
        .hasMessage("on cue");
    postman.round();
    assertThat(inbox()).isEmpty();
    assertThat(outbox.of(client.getId(), Letter.Kind.LINK)).isEmpty();
  }

  @Test
  void aServerThatIsDownIsTriedAgainUntilItIsUp() throws Exception {
    Me me = practitioner();
    Client client = reachable(me);
    LinkService.Made made = links.make(me, client.getId());
    links.mail(me, client.getId(), made.token(), UUID.randomUUID());
    JavaMailSenderImpl down = new JavaMailSenderImpl();
    down.setHost("127.0.0.1");
    down.setPort(closedPort());
    by(down).round();
    assertThat(newest(client).state()).isEqualTo(State.WAITING);
    assertThat(newest(client).answer()).contains("cannot be reached");
    postman.round(); // too early
    assertThat(inbox()).isEmpty();
    clock.moveTo(clock.instant().plus(Duration.ofMinutes(2)));
    postman.round();
    assertThat(inbox()).hasSize(1);
    assertThat(newest(client).state()).isEqualTo(State.SENT);
  }

  private static int closedPort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }

  @Test
  void aMailboxThatDoesNotExistIsSaidOnThePage() throws Exception {
    Me me = practitioner();
    Client client = reachable(me);
    LinkService.Made made = links.make(me, client.getId());
    UUID letter = UUID.randomUUID();
    links.mail(me, client.getId(), made.token(), letter);
    by(answering(550, "550 5.1.1 no such mailbox")).round();
    assertThat(newest(client).state()).isEqualTo(State.REFUSED);
    assertThat(kept(letter)).isEmpty();
    mvc.perform(as(me, get("/clients/%s/do".formatted(client.getId()))))
        .andExpect(content().string(containsString("no such mailbox")))
        .andExpect(content().string(containsString("put the address right")));
    clock.moveTo(clock.instant().plus(Duration.ofHours(5)));
    postman.round();
    assertThat(inbox()).isEmpty();
  }

  /** RFC 5321, section 4.2.1: 4yz is for now, 5yz for good. */
  @Test
  void aServerThatIsBusyIsTriedForADay() throws Exception {
    Me me = practitioner();
    Client client = reachable(me);
    LinkService.Made made = links.make(me, client.getId());
    links.mail(me, client.getId(), made.token(), UUID.randomUUID());
    Postman busy = by(answering(451, "451 4.7.1 greylisted"));
    int tries = 0;
    while (newest(client).state() == State.WAITING) {
      busy.round();
      tries++;
      clock.moveTo(newest(client).next().orElse(clock.instant()).plusSeconds(1));
    }
    assertThat(newest(client).state()).isEqualTo(State.GIVEN_UP);
    // At once, after 1, 5, 15 and 60 minutes, then every four hours until a day is over.
    assertThat(tries).isEqualTo(11);
  }

  @Test
  void aLinkThatEndedFirstIsNotSent() {
    Me me = practitioner();
    Client client = reachable(me);
    LinkService.Made made = links.make(me, client.getId());
    links.mail(me, client.getId(), made.token(), UUID.randomUUID());
    links.make(me, client.getId());
    postman.round();
    assertThat(inbox()).isEmpty();
    assertThat(newest(client).state()).isEqualTo(State.WITHDRAWN);
    assertThat(links.mail(me, client.getId(), made.token(), UUID.randomUUID()))
        .contains("This link has ended meanwhile; make a new one.");
  }

  @Test
  void nobodyElsesLinkIsMailed() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = reachable(me);
    LinkService.Made other = links.make(me, client(me).getId());
    mvc.perform(
            as(me, post("/clients/%s/link/mail".formatted(client.getId())))
                .param("token", other.token())
                .param("letter", UUID.randomUUID().toString()))
        .andExpect(status().isUnprocessableEntity());
    assertThat(outbox.of(client.getId(), Letter.Kind.LINK)).isEmpty();
  }

  @Test
  void fromThePageToTheMailbox() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Me me = accounts.find(email).orElseThrow();
    Client client = reachable(me);
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/%s/do".formatted(client.getId()));
    desk.getByText("Make a link").click();
    String pin = desk.locator("#made-pin").textContent();
    desk.getByText("Mail it to " + address).click();
    assertThat(desk.locator("#mails")).containsText("waits to be sent");
    postman.round();
    assertThat(desk.locator("#mails")).containsText("sent to " + address);
    // The PIN is still there to be told.
    assertThat(desk.locator("#made-pin")).hasText(pin);
    accessible(desk);
    desk.navigate("/demo/mail");
    assertThat(desk.getByRole(AriaRole.MAIN)).containsText("Hello Ada");
    accessible(desk);
  }
}
