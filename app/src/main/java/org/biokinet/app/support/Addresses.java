package org.biokinet.app.support;

import jakarta.servlet.http.HttpServletRequest;
import java.util.regex.Pattern;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Addresses: of our own pages, to be handed over, and of people. */
public final class Addresses {

  /** Something, an at sign, something with a dot; the rest only the mail system knows. */
  private static final Pattern MAIL = Pattern.compile("[^@\\s]+@[^@\\s]+\\.[^@\\s]+");

  private Addresses() {}

  /** A page of ours as somebody else has to type it. */
  public static String of(HttpServletRequest request, String path) {
    return ServletUriComponentsBuilder.fromContextPath(request).path(path).build().toUriString();
  }

  public static boolean mail(String typed) {
    return MAIL.matcher(typed).matches();
  }
}
