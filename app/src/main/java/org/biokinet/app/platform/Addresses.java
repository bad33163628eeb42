package org.biokinet.app.platform;

import java.util.regex.Pattern;

/** Mail addresses of people. */
public final class Addresses {

  /** Something, an at sign, something with a dot; the rest only the mail system knows. */
  private static final Pattern MAIL = Pattern.compile("[^@\\s]+@[^@\\s]+\\.[^@\\s]+");

  private Addresses() {}

  public static boolean mail(String typed) {
    return MAIL.matcher(typed).matches();
  }
}
