package org.biokinet.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.timeline.Timeline;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Parsing a dose, compiling a program of 40 items without its words, and its ledger. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class CoreBenchmark {

  private static final int ITEMS = 40;

  private final Catalogue catalogue = Catalogue.load();
  private final DoseContext stretch = catalogue.get("upper-trap-stretch").doseContext();
  private final Program program = program();
  private final Timeline timeline = Timeline.compile(program);

  private Program program() {
    List<Item> items = new ArrayList<>();
    catalogue.all().stream().limit(ITEMS).forEach(e -> items.add(new Item(e, e.start())));
    return new Program("benchmark", 5, Pacing.DEFAULT, items)
        .session(Side.LEFT, SessionLength.USUAL);
  }

  @Benchmark
  public Parsed parse() {
    return DoseNotation.parse("3x30s @4", stretch);
  }

  @Benchmark
  public Parsed parseBothSides() {
    return DoseNotation.parse("L 3x30s R 2x20s @4 2/d", stretch);
  }

  @Benchmark
  public Timeline compileFortyItems() {
    return Timeline.compile(program);
  }

  @Benchmark
  public Ledger ledgerOfFortyItems() {
    return Ledger.of(timeline);
  }
}
