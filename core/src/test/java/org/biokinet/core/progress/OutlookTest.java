package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.screening.Irritability.Settles;
import org.junit.jupiter.api.Test;

/** How far ahead can be seen, measured on made-up clients whose weeks are known. */
class OutlookTest {
  private static final int CLIENTS = Integer.getInteger("biokinet.outlook", 60);
  private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");
  private static final LocalDate FIRST = LocalDate.of(2026, 1, 5);

  /** Days of the program that are behind when it is looked ahead. */
  private static final int BEHIND = 28;

  private static final Map<String, List<String>> FROM_TO =
      Map.of(
          "upper-trap-stretch", List.of("2x15s", "3x30s"),
          "levator-stretch", List.of("2x15s", "2x30s"),
          "chin-tuck", List.of("1x8x3s", "3x10x5s"));

  private static Program program() {
    List<Item> items = new ArrayList<>();
    FROM_TO.forEach(
        (id, doses) -> {
          Exercise e = Catalogue.load().get(id);
          items.add(
              new Item(
                  e,
                  DiaryBuilder.dose(e, doses.get(0)),
                  e.usualPosition(),
                  Optional.empty(),
                  Optional.empty(),
                  Item.Priority.NORMAL,
                  Optional.of(DiaryBuilder.dose(e, doses.get(1)))));
        });
    items.sort((a, b) -> a.exercise().id().compareTo(b.exercise().id()));
    return new Program("desk", 5, Pacing.DEFAULT, items);
  }

  /** Somebody of many: who does more or less, tells more or less, and bears it well or not. */
  private static Simulated somebody(SplittableRandom random) {
    return new Simulated(
        random.nextDouble(0.6, 1),
        random.nextDouble(0.6, 1),
        random.nextDouble(1.5, 4.5),
        random.nextDouble(-0.3, 0.02),
        random.nextDouble(0.2, 1.6),
        random.nextDouble(2, 3.4));
  }

  @Test
  void theRangeHoldsAsOftenAsItSays() {
    Program program = program();
    int held = 0;
    int below = 0;
    int beyond = 0;
    int told = 0;
    for (int n = 0; n < CLIENTS; n++) {
      SplittableRandom random = new SplittableRandom(1000 + n);
      List<Simulated.Day> days =
          Simulated.days(
              random.nextLong(),
              new Simulated.Phase(BEHIND + Outlook.MOST_WEEKS * 7, somebody(random)));
      Simulated.Followed followed =
          Simulated.followed(
              program,
              Optional.of(DiaryBuilder.allowed(Settles.WITHIN_10_MINUTES)),
              FIRST,
              LISBON,
              days,
              BEHIND);
      if (followed.atTarget().isPresent() && followed.atTarget().getAsInt() <= BEHIND) continue;
      Outlook outlook = Outlook.of(followed.diary(), n).orElseThrow();
      int weeks =
          followed.atTarget().isPresent()
              ? (followed.atTarget().getAsInt() - BEHIND + 6) / 7
              : Outlook.MOST_WEEKS + 1;
      told++;
      int low = outlook.target().low().orElse(53);
      int high = outlook.target().high().orElse(53);
      if (weeks < low) below++;
      else if (weeks > high) beyond++;
      else held++;
      System.out.println(outlook.steps() + " " + outlook.target() + " truth " + weeks);
    }
    System.out.println(told + ": held " + held + ", sooner " + below + ", later " + beyond);
    assertThat(told).isPositive();
  }
}
