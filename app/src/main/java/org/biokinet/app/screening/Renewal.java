package org.biokinet.app.screening;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.biokinet.app.platform.Complete;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.RedFlag;
import org.biokinet.core.screening.Screening;

/**
 * What a client answers through the link when it is asked again whether anything is new.
 *
 * @param none the sections that were answered with "none of these"
 * @param arm whether there is arm pain with numbness or weakness, yes or no
 * @param provoked whether a small thing stirs it up, yes or no
 * @param provokedPain how much it hurts then
 * @param news whether anything else is new, yes or no
 */
@Complete
public record Renewal(
    Set<String> signs,
    Set<String> flags,
    Set<String> none,
    String worst,
    String arm,
    String provoked,
    String provokedPain,
    String news)
    implements Complete.Form {

  public Renewal {
    signs = Answers.set(signs);
    flags = Answers.set(flags);
    none = Answers.set(none);
    worst = Answers.text(worst);
    arm = Answers.text(arm);
    provoked = Answers.text(provoked);
    provokedPain = Answers.text(provokedPain);
    news = Answers.text(news);
  }

  public static final Renewal BLANK = new Renewal(Set.of(), Set.of(), Set.of(), "", "", "", "", "");

  /** The message that stands beside each answer that is open; empty when it can be sent. */
  @Override
  public Map<String, String> problems() {
    Map<String, String> problems = new LinkedHashMap<>();
    if (signs.isEmpty() != none.contains("signs")) problems.put("signs", "renew.section");
    if (flags.isEmpty() != none.contains("flags")) problems.put("flags", "renew.section");
    Answers.unknown(problems, "signs", EmergencySign.class, signs);
    Answers.unknown(problems, "flags", RedFlag.class, flags);
    problems.replaceAll((section, why) -> why.startsWith("renew.") ? why : "renew.unknown");
    if (!Answers.pain(worst)) problems.put("worst", "renew.number");
    choice(problems, "arm", arm);
    choice(problems, "provoked", provoked);
    if (provokedPain.isEmpty() ? provoked.equals("yes") : !Answers.pain(provokedPain)) {
      problems.put("provokedPain", "renew.number");
    }
    choice(problems, "news", news);
    return problems;
  }

  private static void choice(Map<String, String> problems, String name, String answer) {
    if (!answer.equals("yes") && !answer.equals("no")) problems.put(name, "renew.choose");
  }

  /** Only of a form without problems. */
  Screening.Renewal answers() {
    return new Screening.Renewal(
        Answers.known(EmergencySign.class, signs),
        Answers.known(RedFlag.class, flags),
        Integer.parseInt(worst),
        arm.equals("yes"),
        provoked.equals("yes"),
        Answers.number(provokedPain),
        news.equals("yes"));
  }
}
