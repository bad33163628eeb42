package org.biokinet.core.timeline;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.StringTokenizer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How long a sentence takes to say, and the shorter forms of one that takes too long. A short form
 * keeps the order of the words: it leaves out articles, or whole clauses from the end.
 */
final class Phrases {

  /** 150 words a minute, slow enough to follow with closed eyes; common practice, no source. */
  static final double WORDS_PER_SECOND = 2.5;

  private final Locale locale;
  private final Set<String> articles;
  private final Set<String> links;

  /**
   * @param articles words that nobody misses, parted by blanks
   * @param links words that begin what a name can do without
   */
  Phrases(Locale locale, String articles, String links) {
    this.locale = locale;
    this.articles = Set.of(articles.split(" ", -1));
    this.links = Set.of(links.split(" ", -1));
  }

  /** How long it takes to say, in seconds. */
  static double seconds(String text) {
    return new StringTokenizer(text).countTokens() / WORDS_PER_SECOND;
  }

  static boolean fits(String text, double seconds) {
    return seconds(text) <= seconds;
  }

  static String join(String... parts) {
    return Stream.of(parts).filter(p -> !p.isBlank()).collect(Collectors.joining(" "));
  }

  /** Ends it as a sentence. */
  static String sentence(String text) {
    return text.isEmpty() || text.endsWith(".") || text.endsWith("?") ? text : text + ".";
  }

  /** Makes a sentence of a part of one. */
  String opening(String text) {
    return capital(sentence(text));
  }

  /** Without articles: "Rest right hand on back of head." */
  String brief(String text) {
    List<String> left =
        Arrays.stream(text.split(" ", -1))
            .filter(w -> !articles.contains(w.toLowerCase(locale)))
            .toList();
    return left.isEmpty() ? text : capital(String.join(" ", left));
  }

  /** What something is called, shorter and shorter: up to the comma, up to each link. */
  List<String> names(String name) {
    Set<String> forms = new LinkedHashSet<>();
    forms.add(name);
    String head = name.split(",", -1)[0];
    forms.add(head);
    List<String> kept = new ArrayList<>(List.of(head.split(" ", -1)));
    for (int i = kept.size() - 1; i > 0; i--) {
      if (links.contains(kept.get(i))) forms.add(String.join(" ", kept.subList(0, i)));
    }
    return List.copyOf(forms);
  }

  /** A sentence, shorter and shorter: whole, without articles, with fewer clauses at the end. */
  List<String> forms(String text) {
    if (text.isBlank()) return List.of();
    Set<String> forms = new LinkedHashSet<>(List.of(text, brief(text)));
    List<String> clauses = new ArrayList<>(List.of(brief(text).split("(?<=[,;.]) ")));
    while (clauses.size() > 1) {
      clauses.remove(clauses.size() - 1);
      String shorter = String.join(" ", clauses);
      forms.add(sentence(shorter.replaceAll("[,;]$", "")));
    }
    return List.copyOf(forms);
  }

  /** The longest form that can be said in this time; empty where none can. */
  static String longest(List<String> forms, double seconds) {
    return forms.stream().filter(f -> fits(f, seconds)).findFirst().orElse("");
  }

  private String capital(String text) {
    return text.substring(0, 1).toUpperCase(locale) + text.substring(1);
  }
}
