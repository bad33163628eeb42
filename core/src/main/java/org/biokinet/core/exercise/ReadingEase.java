package org.biokinet.core.exercise;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How easily English reads: Flesch's reading ease (Flesch 1948, J Appl Psychol 32:221; formula
 * recalled from memory), 206.835 − 1.015 words a sentence − 84.6 syllables a word. 60 to 70 is
 * plain, above 90 very easy. Syllables are estimated from the spelling.
 */
public final class ReadingEase {

  private static final Pattern WORD = Pattern.compile("[\\p{L}']+");
  private static final Pattern VOWELS = Pattern.compile("[aeiouy]+");

  private ReadingEase() {}

  public static double of(List<String> sentences) {
    int words = 0;
    int syllables = 0;
    for (String sentence : sentences) {
      Matcher word = WORD.matcher(sentence);
      while (word.find()) {
        words++;
        syllables += syllables(word.group());
      }
    }
    if (words == 0) return 0;
    return 206.835 - 1.015 * words / sentences.size() - 84.6 * syllables / words;
  }

  /** Groups of vowels, without a silent e at the end; at least one. */
  static int syllables(String word) {
    String w = word.toLowerCase(Locale.ROOT);
    int count = (int) VOWELS.matcher(w).results().count();
    boolean silent = w.endsWith("e") && !w.endsWith("le") && !w.endsWith("ee") && !w.endsWith("ye");
    boolean silentEd = w.endsWith("ed") && !w.endsWith("ted") && !w.endsWith("ded");
    if ((silent || silentEd) && count > 1) count--;
    return Math.max(1, count);
  }
}
