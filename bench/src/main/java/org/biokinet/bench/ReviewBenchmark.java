package org.biokinet.bench;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.Review;
import org.biokinet.core.progress.Simulated;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The decisions of a review of eight items after ten simulated weeks. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class ReviewBenchmark {

  private static final int ITEMS = 8;
  private static final int DAYS = 70;

  private final Diary diary = diary();

  private static Diary diary() {
    List<Item> items =
        Catalogue.load().all().stream().limit(ITEMS).map(e -> new Item(e, e.start())).toList();
    return Simulated.diary(
        new Program("benchmark", 5, Pacing.DEFAULT, items),
        Optional.empty(),
        LocalDate.of(2026, 1, 5),
        ZoneId.of("Europe/Lisbon"),
        Simulated.days(1, new Simulated.Phase(DAYS, new Simulated(0.8, 0.8, 4, -0.3, 1, 3))));
  }

  @Benchmark
  public Review review() {
    return Review.of(diary);
  }
}
