package org.biokinet.bench;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.BreakPlan;
import org.biokinet.core.workday.BreakWish;
import org.biokinet.core.workday.Workday;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The breaks of a shift of twelve hours, and of four weeks with one every day. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class WorkdayBenchmark {

  private static final LocalDate FIRST = LocalDate.of(2026, 5, 4);
  private static final int DAYS = 28;

  /** With few, most has to be looked at; with many their number does not matter. */
  @Param({"4", "8", "24"})
  public int number;

  private final List<Workday> booked =
      IntStream.range(0, DAYS).mapToObj(d -> day(FIRST.plusDays(d), 4)).toList();

  private static Workday day(LocalDate date, int meetings) {
    SplittableRandom random = new SplittableRandom(date.toEpochDay());
    Instant begin = date.atTime(8, 0).toInstant(ZoneOffset.UTC);
    List<Span> hard = new ArrayList<>();
    for (int i = 0; i < meetings; i++) {
      hard.add(
          Span.ofMinutes(
              begin.plusSeconds(60L * random.nextInt(660)), 30L * (1 + random.nextInt(3))));
    }
    return new Workday(date, List.of(Span.ofMinutes(begin, 720)), hard, List.of(), List.of());
  }

  private BreakWish wish() {
    return new BreakWish(45, 20, 60, number, 2);
  }

  @Benchmark
  public BreakPlan aDayWithoutMeetings() {
    return BreakPlan.of(day(FIRST, 0), wish());
  }

  @Benchmark
  public List<BreakPlan> fourWeeks() {
    return booked.stream().map(d -> BreakPlan.of(d, wish())).toList();
  }
}
