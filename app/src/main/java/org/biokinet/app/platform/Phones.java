package org.biokinet.app.platform;

import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.PhoneNumberUtil.MatchType;

/** Phone numbers as people type them, with or without the country. */
public final class Phones {

  private static final PhoneNumberUtil NUMBERS = PhoneNumberUtil.getInstance();

  private Phones() {}

  /** Whether it can be read as a number at all. */
  public static boolean readable(String typed) {
    return NUMBERS.isNumberMatch(typed, typed) != MatchType.NOT_A_NUMBER;
  }

  /** Whether two that are typed differently ring at the same place, as far as they tell. */
  public static boolean same(String one, String other) {
    return switch (NUMBERS.isNumberMatch(one, other)) {
      case EXACT_MATCH, NSN_MATCH -> true;
      case SHORT_NSN_MATCH, NO_MATCH, NOT_A_NUMBER -> false;
    };
  }

  /** What a telephone dials. */
  public static String dialled(String typed) {
    return PhoneNumberUtil.normalizeDiallableCharsOnly(typed);
  }
}
