package org.biokinet.bench;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.Outlook;
import org.biokinet.core.progress.Review;
import org.biokinet.core.progress.Simulated;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Screening;
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

  private final Diary diary = diary(Optional.empty());
  private final Diary screened = diary(Optional.of(clear()));

  private static Diary diary(Optional<Allowed> allowed) {
    List<Item> items =
        Catalogue.load().all().stream().limit(ITEMS).map(e -> new Item(e, e.start())).toList();
    return Simulated.diary(
        new Program("benchmark", 5, Pacing.DEFAULT, items),
        allowed,
        LocalDate.of(2026, 1, 5),
        ZoneId.of("Europe/Lisbon"),
        Simulated.days(1, new Simulated.Phase(DAYS, new Simulated(0.8, 0.8, 4, -0.3, 1, 3))));
  }

  private static Allowed clear() {
    Screening told =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            Irritability.Settles.WITHIN_10_MINUTES,
            false,
            OptionalInt.of(3),
            Map.of(),
            "",
            "",
            "",
            false,
            false);
    Means all = new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class));
    return new Allowed(Assessment.of(told, Optional.empty()), all, 5);
  }

  @Benchmark
  public Review review() {
    return Review.of(diary);
  }

  /** The same weeks ahead, a thousand times and twice more. */
  @Benchmark
  public Optional<Outlook> outlook() {
    return Outlook.of(screened, 1);
  }
}
