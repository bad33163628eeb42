package org.biokinet.app.access;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What a device keeps in its cookie: a token for each client who was let in on it. The first is who
 * is in now; the others are asked for their PIN before they are first again.
 *
 * @param tokens a dash in the place of the first where nobody is in
 */
record Keys(List<String> tokens) {

  /** More people than these hardly share a device (our choice); whoever came first is forgotten. */
  private static final int MOST = 5;

  private static final String NOBODY = "-";

  static Keys of(String cookie) {
    return new Keys(
        Arrays.stream(cookie.split("\\.", -1)).filter(t -> !t.isEmpty()).limit(MOST).toList());
  }

  String cookie() {
    return String.join(".", tokens);
  }

  /** Whose turn it is; a token that nobody has where it is nobody's. */
  String first() {
    return tokens.isEmpty() ? NOBODY : tokens.get(0);
  }

  /** The same with one of them in, which may be new. */
  Keys in(String token) {
    List<String> all = new ArrayList<>(List.of(token));
    tokens.stream().filter(t -> !t.equals(token) && !t.equals(NOBODY)).forEach(all::add);
    return new Keys(List.copyOf(all.subList(0, Math.min(MOST, all.size()))));
  }

  Keys without(List<String> gone) {
    return new Keys(tokens.stream().filter(t -> !gone.contains(t)).toList());
  }

  /** The same with nobody in. */
  Keys locked() {
    return in(NOBODY);
  }
}
