package org.biokinet.app.mail;

import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.UUID;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/**
 * Sends what waits in the outbox, outside of any transaction. Of several postmen, in as many
 * processes, one gets each mail. One that dies between handing it over and writing that down has it
 * sent again, under the same Message-ID, by which mail programs drop the second.
 */
@Component
public class Postman {
  private static final Logger LOG = LoggerFactory.getLogger(Postman.class);

  /** Replies of a mail server from here on are for good (RFC 5321, section 4.2.1). */
  private static final int FOR_GOOD = 500;

  private final Outbox outbox;
  private final Optional<JavaMailSender> server;
  private final String from;

  /**
   * @param from the address that mail comes from
   */
  public Postman(
      Outbox outbox, Optional<JavaMailSender> server, @Value("${biokinet.mail-from}") String from) {
    this.outbox = outbox;
    this.server = server;
    this.from = from;
  }

  /** Tries everything that is to be tried now. */
  public void round() {
    if (!outbox.ready()) return;
    for (UUID id : outbox.due()) outbox.take(id).ifPresent(this::send);
  }

  private void send(Letter letter) {
    try {
      JavaMailSender by = server.orElseThrow();
      by.send(message(by, letter));
      outbox.sent(letter.id());
    } catch (MessagingException | UnsupportedEncodingException e) {
      outbox.refused(letter.id(), said(e));
    } catch (MailAuthenticationException e) {
      outbox.later(letter.id(), "the mail server does not let this application in");
    } catch (MailException e) {
      Optional<Exception> refused = reply(e);
      LOG.warn("mail {} was not taken: {}", letter.id(), e.getMessage());
      if (refused.isPresent()) outbox.refused(letter.id(), said(refused.get()));
      else outbox.later(letter.id(), said(e));
    }
  }

  private MimeMessage message(JavaMailSender by, Letter letter)
      throws MessagingException, UnsupportedEncodingException {
    MimeMessage message = by.createMimeMessage();
    MimeMessageHelper helper = new MimeMessageHelper(message, StandardCharsets.UTF_8.name());
    helper.setFrom(from, letter.practiceName());
    helper.setTo(letter.to());
    helper.setSubject(letter.subject());
    helper.setText(letter.text());
    String domain = from.substring(from.indexOf('@') + 1);
    message.setHeader("Message-ID", "<%s@%s>".formatted(letter.id(), domain));
    message.setHeader("Auto-Submitted", "auto-generated");
    if (letter.off().isPresent()) {
      message.setHeader("List-Unsubscribe", "<%s>".formatted(letter.off().get()));
      message.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
    }
    return message;
  }

  /** The reply that refuses it for good, if one does. */
  private static Optional<Exception> reply(MailException e) {
    Deque<Exception> open = new ArrayDeque<>();
    if (e instanceof MailSendException several) {
      for (Exception one : several.getMessageExceptions()) open.add(one);
    }
    while (!open.isEmpty()) {
      Exception one = open.remove();
      if (one instanceof SMTPAddressFailedException a && a.getReturnCode() >= FOR_GOOD) {
        return Optional.of(a);
      }
      if (one instanceof SMTPSendFailedException s && s.getReturnCode() >= FOR_GOOD) {
        return Optional.of(s);
      }
      if (one instanceof SendFailedException s && s.getNextException() != null) {
        open.add(s.getNextException());
      }
    }
    return Optional.empty();
  }

  /** In one line, for the practitioner. */
  private static String said(Exception e) {
    if (e instanceof MailException && !(e instanceof MailSendException)) return "it cannot be sent";
    if (e instanceof MailSendException) return "the mail server cannot be reached or is busy";
    String said = String.valueOf(e.getMessage()).strip().replaceAll("\\s+", " ");
    return said.isEmpty() ? "no reason was given" : said;
  }
}
