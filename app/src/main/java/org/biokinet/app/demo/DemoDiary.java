package org.biokinet.app.demo;

import java.time.LocalDate;
import java.util.List;
import org.biokinet.core.progress.Simulated;
import org.biokinet.core.progress.Simulated.Phase;

/**
 * Somebody of the demo whose weeks are simulated, so that each line of a decision can be looked at.
 *
 * @param born far enough back that it does not look stale
 * @param seed of the simulation
 * @param phases up to yesterday
 * @param reviewed how many days back, in the order in which it was
 */
record DemoDiary(
    String name,
    LocalDate born,
    String phone,
    String work,
    List<String[]> program,
    long seed,
    List<Phase> phases,
    List<Integer> reviewed) {

  static final String SUPERVISOR = "night-shift supervisor";

  private static final List<String[]> FIRST =
      List.of(
          new String[] {"shoulder-roll", "6"},
          new String[] {"upper-trap-stretch", "2x15s @3"},
          new String[] {"chin-tuck", "3x10s"});

  private static final List<String[]> AT_TARGET =
      List.of(
          new String[] {"shoulder-roll", "10"},
          new String[] {"upper-trap-stretch", "2x30s @3"},
          new String[] {"chin-tuck", "3x20s"});

  /** Does all of it, tells of it, and is little the worse for it. */
  private static final Simulated STEADY = new Simulated(1, 1, 2, -0.3, 0.2, 2.6);

  private static final Simulated AWAY = new Simulated(0, 0, 2, 0, 0, 2);

  static final List<DemoDiary> ALL =
      List.of(
          new DemoDiary(
              "Noor Haverkamp",
              LocalDate.of(1994, 7, 9),
              "555 0181",
              "forecaster, late watch",
              FIRST,
              11,
              List.of(new Phase(10, STEADY), new Phase(3, new Simulated(1, 1, 6, 0, 0.4, 3))),
              List.of()),
          new DemoDiary(
              "Davi Moreira",
              LocalDate.of(1988, 1, 14),
              "555 0182",
              "chart drafter, two screens and paper",
              FIRST,
              12,
              List.of(new Phase(7, STEADY), new Phase(4, new Simulated(1, 1, 2, 0, 0.2, 5.2))),
              List.of()),
          new DemoDiary(
              "Petra Lindqvist",
              LocalDate.of(1979, 10, 2),
              "555 0183",
              "forecaster, back from a week at sea",
              FIRST,
              13,
              List.of(new Phase(9, STEADY), new Phase(9, AWAY)),
              List.of()),
          new DemoDiary(
              "Ilse Kamara",
              LocalDate.of(1991, 5, 25),
              "555 0184",
              "marine-radio operator, two small children",
              FIRST,
              5,
              List.of(new Phase(16, new Simulated(0.4, 0.6, 3, 0, 0.3, 2.5))),
              List.of()),
          new DemoDiary(
              "Marek Oyelaran",
              LocalDate.of(1984, 3, 30),
              "555 0185",
              SUPERVISOR,
              FIRST,
              15,
              List.of(new Phase(11, new Simulated(1, 1, 2, 0, 2, 3))),
              List.of()),
          new DemoDiary(
              "Anouk Ferreira",
              LocalDate.of(1996, 8, 18),
              "555 0186",
              "trainee forecaster",
              FIRST,
              16,
              List.of(new Phase(10, STEADY)),
              List.of()),
          new DemoDiary(
              "Jonas Adeyemi",
              LocalDate.of(1975, 12, 4),
              "555 0187",
              "chart drafter",
              AT_TARGET,
              17,
              List.of(new Phase(12, STEADY)),
              List.of()),
          new DemoDiary(
              "Beatriz Nakagawa",
              LocalDate.of(1982, 2, 21),
              "555 0188",
              "forecaster, early watch",
              AT_TARGET,
              18,
              List.of(new Phase(31, new Simulated(1, 1, 2, -0.2, 0.1, 2.4))),
              List.of(20)));
}
