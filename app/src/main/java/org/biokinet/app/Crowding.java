package org.biokinet.app;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * No one address takes every place: whoever sends many requests with slow bodies at once is asked
 * to come again, and everybody else is served. A page needs one or two places at a time.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class Crowding extends OncePerRequestFilter {

  /** Of the server's 200; our choice. */
  static final int MOST_AT_ONCE = 40;

  private final Map<String, Integer> sending = new ConcurrentHashMap<>();

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return request.getContentLengthLong() == 0
        || (request.getContentLengthLong() < 0
            && request.getHeader(HttpHeaders.TRANSFER_ENCODING) == null);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String sender = request.getRemoteAddr();
    int now = sending.merge(sender, 1, Integer::sum);
    try {
      if (now > MOST_AT_ONCE) {
        response.setHeader(HttpHeaders.RETRY_AFTER, "1");
        response.sendError(HttpStatus.TOO_MANY_REQUESTS.value());
        return;
      }
      chain.doFilter(request, response);
    } finally {
      sending.computeIfPresent(sender, (s, n) -> n > 1 ? n - 1 : null);
    }
  }
}
