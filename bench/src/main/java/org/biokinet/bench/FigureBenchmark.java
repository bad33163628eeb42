package org.biokinet.bench;

import java.util.concurrent.TimeUnit;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.figure.draw.Figure;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Drawing one exercise: a still, and the movement with the most poses. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class FigureBenchmark {

  private final Catalogue catalogue = Catalogue.load();
  private final Figure stretch = of("upper-trap-stretch");
  private final Figure circle = of("thoracic-controlled-circle");

  private Figure of(String id) {
    return Figure.of(catalogue.get(id), Side.RIGHT).orElseThrow();
  }

  @Benchmark
  public String still() {
    return stretch.still(stretch.bestView(), "still");
  }

  @Benchmark
  public String moving() {
    return circle.moving(circle.bestView(), "moving");
  }
}
