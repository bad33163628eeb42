package org.biokinet.app.workday;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.people.AccountService;
import org.biokinet.core.workday.BreakWish;
import org.biokinet.core.workday.Moment;
import org.springframework.stereotype.Component;

/** How often breaks were wanted, and what became of them, one line for each day. */
@Component
class WorkdayChronicle implements Chronicle {

  private final WorkdayService workdays;
  private final DayPlans plans;
  private final AccountService accounts;

  WorkdayChronicle(WorkdayService workdays, DayPlans plans, AccountService accounts) {
    this.workdays = workdays;
    this.plans = plans;
    this.accounts = accounts;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    List<Happened> all = new ArrayList<>();
    for (WorkdayService.Wished w : workdays.wishes(client.getId(), from, until)) {
      all.add(
          new Happened(
              w.at(),
              Happened.Kind.PROGRAM,
              "Breaks at the desk: " + words(w.wish()),
              "",
              accounts.practitionerName(w.by())));
    }
    Map<LocalDate, List<Moment>> days =
        plans.told(client.getId(), from, until).stream()
            .collect(
                Collectors.groupingBy(
                    m -> LocalDate.ofInstant(m.at(), client.zone()),
                    TreeMap::new,
                    Collectors.toList()));
    days.values().forEach(day -> all.add(happened(day)));
    return all;
  }

  private static String words(BreakWish wish) {
    return "every %d min of sitting (%d to %d), up to %d a day"
        .formatted(wish.preferred(), wish.least(), wish.most(), wish.number());
  }

  private static Happened happened(List<Moment> day) {
    Map<Moment.Kind, Long> counted =
        day.stream()
            .collect(
                Collectors.groupingBy(
                    Moment::kind, () -> new EnumMap<>(Moment.Kind.class), Collectors.counting()));
    String each =
        counted.entrySet().stream()
            .map(e -> e.getValue() + " " + words(e.getKey()))
            .collect(Collectors.joining(", "));
    Instant last = day.get(day.size() - 1).at();
    return new Happened(last, Happened.Kind.TOLD, "Breaks at the desk: " + each, "", "");
  }

  private static String words(Moment.Kind kind) {
    return switch (kind) {
      case HAD -> "had";
      case LATER -> "put off";
      case SKIPPED -> "left out";
      case MISSED -> "not answered";
    };
  }
}
