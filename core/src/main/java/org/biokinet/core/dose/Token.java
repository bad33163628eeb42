package org.biokinet.core.dose;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * One word, number or sign of a typed dose.
 *
 * @param value the number; of a decimal twice the number where that is whole, else -1; 0 for all
 *     others
 */
record Token(Kind kind, int value, int from, int to) {

  enum Kind {
    NUMBER,
    TIMES,
    SECONDS,
    MINUTES,
    BREATHS,
    REPS,
    SETS,
    OF,
    NOISE,
    EACH,
    A,
    SIDE,
    WAY,
    SLASH,
    AT,
    PERCENT,
    OPEN,
    CLOSE,
    PLUS,
    DASH,
    FORWARD,
    BACKWARD,
    CLOCKWISE,
    COUNTERCLOCKWISE,
    LEFT,
    RIGHT,
    CR,
    EVERY,
    REST,
    TEMPO,
    DAY,
    WEEK,
    DAILY,
    KILOGRAMS,
    BAND,
    UNKNOWN,
    DECIMAL,
    END
  }

  private static final Map<String, Kind> WORDS =
      Map.ofEntries(
          Map.entry("x", Kind.TIMES),
          Map.entry("times", Kind.TIMES),
          Map.entry("s", Kind.SECONDS),
          Map.entry("sec", Kind.SECONDS),
          Map.entry("secs", Kind.SECONDS),
          Map.entry("second", Kind.SECONDS),
          Map.entry("seconds", Kind.SECONDS),
          Map.entry("m", Kind.MINUTES),
          Map.entry("min", Kind.MINUTES),
          Map.entry("mins", Kind.MINUTES),
          Map.entry("minute", Kind.MINUTES),
          Map.entry("minutes", Kind.MINUTES),
          Map.entry("br", Kind.BREATHS),
          Map.entry("breath", Kind.BREATHS),
          Map.entry("breaths", Kind.BREATHS),
          Map.entry("rep", Kind.REPS),
          Map.entry("reps", Kind.REPS),
          Map.entry("repetition", Kind.REPS),
          Map.entry("repetitions", Kind.REPS),
          Map.entry("set", Kind.SETS),
          Map.entry("sets", Kind.SETS),
          Map.entry("of", Kind.OF),
          Map.entry("hold", Kind.NOISE),
          Map.entry("holds", Kind.NOISE),
          Map.entry("for", Kind.NOISE),
          Map.entry("with", Kind.NOISE),
          Map.entry("on", Kind.NOISE),
          Map.entry("the", Kind.NOISE),
          Map.entry("each", Kind.EACH),
          Map.entry("ea", Kind.EACH),
          Map.entry("per", Kind.EACH),
          Map.entry("both", Kind.EACH),
          Map.entry("a", Kind.A),
          Map.entry("side", Kind.SIDE),
          Map.entry("sides", Kind.SIDE),
          Map.entry("way", Kind.WAY),
          Map.entry("ways", Kind.WAY),
          Map.entry("dir", Kind.WAY),
          Map.entry("direction", Kind.WAY),
          Map.entry("directions", Kind.WAY),
          Map.entry("fwd", Kind.FORWARD),
          Map.entry("forward", Kind.FORWARD),
          Map.entry("forwards", Kind.FORWARD),
          Map.entry("back", Kind.BACKWARD),
          Map.entry("backward", Kind.BACKWARD),
          Map.entry("backwards", Kind.BACKWARD),
          Map.entry("cw", Kind.CLOCKWISE),
          Map.entry("clockwise", Kind.CLOCKWISE),
          Map.entry("ccw", Kind.COUNTERCLOCKWISE),
          Map.entry("counterclockwise", Kind.COUNTERCLOCKWISE),
          Map.entry("anticlockwise", Kind.COUNTERCLOCKWISE),
          Map.entry("l", Kind.LEFT),
          Map.entry("left", Kind.LEFT),
          Map.entry("r", Kind.RIGHT),
          Map.entry("right", Kind.RIGHT),
          Map.entry("cr", Kind.CR),
          Map.entry("q", Kind.EVERY),
          Map.entry("every", Kind.EVERY),
          Map.entry("rest", Kind.REST),
          Map.entry("t", Kind.TEMPO),
          Map.entry("tempo", Kind.TEMPO),
          Map.entry("kg", Kind.KILOGRAMS),
          Map.entry("kilo", Kind.KILOGRAMS),
          Map.entry("kilos", Kind.KILOGRAMS),
          Map.entry("band", Kind.BAND),
          Map.entry("d", Kind.DAY),
          Map.entry("day", Kind.DAY),
          Map.entry("days", Kind.DAY),
          Map.entry("w", Kind.WEEK),
          Map.entry("wk", Kind.WEEK),
          Map.entry("week", Kind.WEEK),
          Map.entry("weeks", Kind.WEEK),
          Map.entry("to", Kind.DASH));

  /** Words that stand for a number of times a day. */
  private static final Map<String, Integer> DAILY_WORDS = Map.of("daily", 1, "bid", 2, "tid", 3);

  private static final Map<String, Integer> NUMBER_WORDS = Map.of("once", 1, "twice", 2);

  /** Numbers longer than this cannot be inside any bound and would overflow. */
  private static final int LONGEST_NUMBER = 6;

  static List<Token> scan(String text) {
    List<Token> tokens = new ArrayList<>();
    int i = 0;
    int n = text.length();
    while (i < n) {
      char c = text.charAt(i);
      if (c == ' ' || c == ',' || c == ';' || c == ':' || Character.isWhitespace(c)) {
        i++;
      } else if (isDigit(c)) {
        i = number(text, i, tokens);
      } else if (Character.isLetter(c)) {
        i = word(text, i, tokens);
      } else {
        i = sign(text, i, c, tokens);
      }
    }
    tokens.add(new Token(Kind.END, 0, n, n));
    return tokens;
  }

  private static boolean isDigit(char c) {
    return c >= '0' && c <= '9';
  }

  private static int number(String text, int start, List<Token> tokens) {
    int i = start;
    while (i < text.length() && isDigit(text.charAt(i))) i++;
    if (i + 1 < text.length() && text.charAt(i) == '.' && isDigit(text.charAt(i + 1))) {
      i++;
      while (i < text.length() && isDigit(text.charAt(i))) i++;
      double twice = 2 * Double.parseDouble(text.substring(start, i));
      boolean halves = twice == Math.rint(twice) && twice < 1000;
      tokens.add(new Token(Kind.DECIMAL, halves ? (int) twice : -1, start, i));
    } else if (i - start > LONGEST_NUMBER) {
      tokens.add(new Token(Kind.NUMBER, Integer.MAX_VALUE, start, i));
    } else {
      tokens.add(new Token(Kind.NUMBER, Integer.parseInt(text, start, i, 10), start, i));
    }
    return i;
  }

  private static int word(String text, int start, List<Token> tokens) {
    int i = start;
    while (i < text.length() && Character.isLetter(text.charAt(i))) i++;
    String word = text.substring(start, i).toLowerCase(Locale.ROOT);
    @Nullable Kind kind = WORDS.get(word);
    if (kind != null) {
      tokens.add(new Token(kind, 0, start, i));
      return i;
    }
    @Nullable Integer daily = DAILY_WORDS.get(word);
    @Nullable Integer number = NUMBER_WORDS.get(word);
    if (daily != null) {
      tokens.add(new Token(Kind.DAILY, daily, start, i));
    } else if (number != null) {
      tokens.add(new Token(Kind.NUMBER, number, start, i));
    } else if (word.endsWith("x") && WORDS.containsKey(word.substring(0, word.length() - 1))) {
      // "30sx3": the unit and the sign ran together.
      word(text.substring(0, i - 1), start, tokens);
      tokens.add(new Token(Kind.TIMES, 0, i - 1, i));
    } else if (word.startsWith("x") && WORDS.containsKey(word.substring(1))) {
      // "2xcr3(…)": the sign and the word ran together.
      tokens.add(new Token(Kind.TIMES, 0, start, start + 1));
      return word(text, start + 1, tokens);
    } else {
      tokens.add(new Token(Kind.UNKNOWN, 0, start, i));
    }
    return i;
  }

  private static int sign(String text, int i, char c, List<Token> tokens) {
    if (c == '\'' && text.startsWith("''", i)) {
      tokens.add(new Token(Kind.SECONDS, 0, i, i + 2));
      return i + 2;
    }
    Kind kind =
        switch (c) {
          case '×', '*' -> Kind.TIMES;
          case '"', '″', '”', '“' -> Kind.SECONDS;
          case '/' -> Kind.SLASH;
          case '@' -> Kind.AT;
          case '%' -> Kind.PERCENT;
          case '(' -> Kind.OPEN;
          case ')' -> Kind.CLOSE;
          case '+' -> Kind.PLUS;
          case '-', '–', '—' -> Kind.DASH;
          default -> Kind.UNKNOWN;
        };
    tokens.add(new Token(kind, 0, i, i + 1));
    return i + 1;
  }
}
