package org.biokinet.app.screening;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.app.platform.Complete;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.RedFlag;

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

  /**
   * These answers in place of the earlier ones; what is not asked again stays.
   *
   * @param inForce what locks and limits now, with what an examined red flag, sign or arm symptom
   *     has left on: it becomes a condition, so that renewing unlocks nothing
   */
  Answers over(Answers before, Set<Condition> inForce) {
    Set<String> conditions =
        inForce.stream().map(Condition::code).collect(Collectors.toCollection(LinkedHashSet::new));
    Set<String> raised = new LinkedHashSet<>(flags);
    if (news.equals("yes")) raised.add(RedFlag.NEWS.code());
    Set<String> denied = new LinkedHashSet<>(before.none());
    denied.removeAll(Set.of("signs", "flags"));
    if (!conditions.isEmpty()) denied.remove("conditions");
    if (signs.isEmpty()) denied.add("signs");
    if (raised.isEmpty()) denied.add("flags");
    return new Answers(
        signs,
        raised,
        conditions,
        before.sides(),
        denied,
        worst,
        arm,
        before.settles(),
        provoked,
        before.baseline(),
        before.medicines(),
        before.surgery(),
        before.consent(),
        provokedPain,
        Set.of());
  }
}
