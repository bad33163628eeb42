package org.biokinet.app.demo;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Comparator;
import java.util.Date;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.JavaMailSenderImpl;

/**
 * The mail server of the demo: on this machine alone, and nothing leaves it; what was sent can be
 * read on a page.
 */
@Configuration(proxyBeanMethods = false)
@ConditionalOnProperty("biokinet.demo")
public class MailStandIn {
  private static final int MILLISECONDS = 5000;

  /**
   * @param to the address it went to
   */
  public record Received(Date at, String from, String to, String subject, String text) {}

  /** Any port that is free. */
  @Bean(initMethod = "start", destroyMethod = "stop")
  GreenMail mailServer() {
    return new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
  }

  @Bean
  JavaMailSender mailSender(GreenMail server) {
    JavaMailSenderImpl sender = new JavaMailSenderImpl();
    sender.setHost("127.0.0.1");
    sender.setPort(server.getSmtp().getPort());
    sender.getJavaMailProperties().setProperty("mail.smtp.connectiontimeout", "" + MILLISECONDS);
    sender.getJavaMailProperties().setProperty("mail.smtp.timeout", "" + MILLISECONDS);
    return sender;
  }

  /** What was received since the start, newest first. */
  public static List<Received> received(GreenMail server) {
    return Stream.of(server.getReceivedMessages())
        .map(MailStandIn::read)
        .sorted(Comparator.comparing(Received::at).reversed())
        .toList();
  }

  private static Received read(MimeMessage m) {
    try {
      return new Received(
          m.getSentDate(),
          m.getFrom()[0].toString(),
          m.getAllRecipients()[0].toString(),
          m.getSubject(),
          m.getContent().toString());
    } catch (MessagingException e) {
      throw new IllegalStateException(e);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
