package org.biokinet.app.people;

import java.util.Objects;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Where the request at hand comes from; empty outside of one. What a proxy says of it is believed
 * only where the server is told to ({@code server.forward-headers-strategy}).
 */
public final class Sender {

  private static final int LONGEST_ADDRESS = 64;
  private static final int LONGEST_DEVICE = 200;

  private Sender() {}

  public static String address() {
    return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now
        ? cut(now.getRequest().getRemoteAddr(), LONGEST_ADDRESS)
        : "";
  }

  static String device() {
    return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now
        ? cut(
            Objects.requireNonNullElse(now.getRequest().getHeader("User-Agent"), ""),
            LONGEST_DEVICE)
        : "";
  }

  private static String cut(String text, int most) {
    return text.length() > most ? text.substring(0, most) : text;
  }
}
