package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** When the records cannot be reached, and when somebody takes every place. */
class AwayTest extends AppTest {

  private final Away away;

  AwayTest() throws Exception {
    away = new Away();
  }

  private static MockHttpServletRequest typed(String accept) {
    MockHttpServletRequest request = new MockHttpServletRequest("POST", "/clients/new");
    request.addHeader("Accept", accept);
    request.setContentType(MediaType.APPLICATION_FORM_URLENCODED_VALUE);
    request.setParameter("name", "Ada \"<Example>\"");
    request.setParameter("password", "a secret");
    return request;
  }

  private MockHttpServletResponse asked(MockHttpServletRequest request, Exception fault)
      throws Exception {
    MockHttpServletResponse response = new MockHttpServletResponse();
    FilterChain chain =
        (q, r) -> {
          if (fault instanceof RuntimeException e) throw e;
          throw new ServletException(fault);
        };
    away.doFilter(request, response, chain);
    return response;
  }

  @Test
  void whatWasTypedIsInThePageThatSaysSo() throws Exception {
    List<Exception> faults =
        List.of(
            new SQLTransientConnectionException("no connection in 3 s"),
            new SQLNonTransientConnectionException("socket"),
            new SQLException("gone", "08S01"),
            new DataAccessResourceFailureException(
                "query", new SQLException("Connection is closed")));
    for (Exception fault : faults) {
      MockHttpServletResponse answer = asked(typed("text/html"), fault);
      assertThat(answer.getStatus()).as(fault.toString()).isEqualTo(503);
      assertThat(answer.getHeader("Retry-After")).isEqualTo("10");
      assertThat(answer.getContentAsString())
          .contains("Not available just now", "action=\"/clients/new\"")
          .contains("name=\"name\" value=\"Ada &quot;&lt;Example&gt;&quot;\"")
          .doesNotContain("a secret");
    }
    assertThat(asked(typed("application/json"), faults.get(0)).getContentAsString()).isEmpty();
  }

  @Test
  void anyOtherFaultIsNotCalledThat() {
    assertThatThrownBy(
            () -> asked(typed("text/html"), new DataIntegrityViolationException("too long")))
        .isInstanceOf(DataIntegrityViolationException.class);
  }

  /** 205 requests whose bodies never come: everybody else is served. */
  @Test
  void slowBodiesFromOneAddressLeaveRoomForOthers() throws Exception {
    List<Socket> slow = new ArrayList<>();
    try {
      for (int i = 0; i < 205; i++) {
        Socket s = new Socket(InetAddress.getLoopbackAddress(), port);
        s.getOutputStream()
            .write(
                ("POST /sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1000\r\n"
                        + "Content-Type: application/x-www-form-urlencoded\r\n\r\nemail=")
                    .getBytes(StandardCharsets.US_ASCII));
        slow.add(s);
      }
      try (Socket s = new Socket(InetAddress.getLoopbackAddress(), port)) {
        s.getOutputStream()
            .write(
                "GET /sign-in HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n"
                    .getBytes(StandardCharsets.US_ASCII));
        assertThat(first(s.getInputStream())).startsWith("HTTP/1.1 200");
      }
      long refused = 0;
      long waitedFor = 0;
      for (Socket s : slow) {
        s.setSoTimeout(50);
        try {
          if (first(s.getInputStream()).startsWith("HTTP/1.1 429")) refused++;
        } catch (SocketTimeoutException e) {
          waitedFor++;
        }
      }
      // A slow machine may not have answered all of them yet.
      assertThat(refused).isBetween(120L, 205L - Crowding.MOST_AT_ONCE);
      // However long it took, the others were served before these were given up.
      assertThat(waitedFor).isPositive();
    } finally {
      for (Socket s : slow) s.close();
    }
  }

  private static String first(InputStream in) throws Exception {
    return new String(in.readNBytes(12), StandardCharsets.US_ASCII);
  }
}
