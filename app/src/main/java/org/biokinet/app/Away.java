package org.biokinet.app;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.Objects;
import java.util.Optional;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.HtmlUtils;

/**
 * The database is away: said at once, by a page that needs none, with what was typed in it so that
 * it can be sent again. In front of everything, since sessions are in the database too.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Away extends OncePerRequestFilter {

  /** SQL states of this class are faults of the connection (ISO/IEC 9075). */
  private static final String CONNECTION = "08";

  /** What the pool says of a connection that it has given up, when a rollback comes to it. */
  private static final String CLOSED = "Connection is closed";

  private static final int SECONDS = 10;

  private final String page;

  Away() throws IOException {
    page = new ClassPathResource("away.html").getContentAsString(StandardCharsets.UTF_8);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (ServletException | IOException | RuntimeException e) {
      if (response.isCommitted() || !databaseAway(e)) throw e;
      logger.warn("the database is away: " + e);
      answer(request, response);
    }
  }

  private static boolean databaseAway(Throwable e) {
    for (Throwable t = e; t != null; t = t.getCause() == t ? null : t.getCause()) {
      if (t instanceof SQLException s && ofConnection(s)) return true;
    }
    return false;
  }

  private static boolean ofConnection(SQLException e) {
    return e instanceof SQLTransientConnectionException
        || e instanceof SQLNonTransientConnectionException
        || Objects.requireNonNullElse(e.getSQLState(), "").startsWith(CONNECTION)
        || CLOSED.equals(e.getMessage());
  }

  private void answer(HttpServletRequest request, HttpServletResponse response) throws IOException {
    response.reset();
    response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
    response.setHeader(HttpHeaders.RETRY_AFTER, Integer.toString(SECONDS));
    response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
    response.setHeader("Content-Security-Policy", Security.CSP);
    String accept = Optional.ofNullable(request.getHeader(HttpHeaders.ACCEPT)).orElse("");
    if (!accept.contains("text/html")) return; // a script, which keeps what it has
    response.setContentType(MediaType.TEXT_HTML_VALUE);
    response.setCharacterEncoding(StandardCharsets.UTF_8.name());
    response.getWriter().write(page.replace("<!-- again -->", again(request)));
  }

  /** The same once more: a form with all that was sent, or a link. */
  private static String again(HttpServletRequest request) {
    String query = request.getQueryString() == null ? "" : "?" + request.getQueryString();
    String address = HtmlUtils.htmlEscape(request.getRequestURI() + query);
    String type = Optional.ofNullable(request.getContentType()).orElse("");
    if (!type.startsWith(MediaType.APPLICATION_FORM_URLENCODED_VALUE)) {
      return "<p class=\"mt-6\"><a class=\"button primary\" href=\"%s\">Try again</a></p>"
          .formatted(address);
    }
    StringBuilder form =
        new StringBuilder("<form class=\"mt-6\" method=\"post\" action=\"%s\">".formatted(address));
    request
        .getParameterMap()
        .forEach(
            (name, values) -> {
              // A password is typed anew.
              if (name.equals("password") || name.equals("pin")) return;
              for (String value : values) {
                form.append(
                    "<input type=\"hidden\" name=\"%s\" value=\"%s\">"
                        .formatted(HtmlUtils.htmlEscape(name), HtmlUtils.htmlEscape(value)));
              }
            });
    return form.append("<button class=\"button primary\">Send it again</button></form>").toString();
  }
}
