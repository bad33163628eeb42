package org.biokinet.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.search.Search;
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

/** One search, as for one letter typed, in a library of 1,000 entries. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class SearchBenchmark {

  private static final int ENTRIES = 1000;

  /** A muscle half typed, a line with a slip and something ruled out, and everything. */
  @Param({"tra", "lavator stretch without a wall, can't kneel", ""})
  private String line = "";

  private final Search search = search();

  /** The shipped entries, and copies of them under other names. */
  private static Search search() {
    Catalogue shipped = Catalogue.load();
    StringBuilder facts = new StringBuilder();
    StringBuilder words = new StringBuilder();
    List<Exercise> all = shipped.all();
    for (int i = 0; i < ENTRIES - all.size(); i++) {
      String id = all.get(i % all.size()).id();
      OwnExercise original = OwnExercise.of(shipped.snapshot(List.of(id)), id, Locale.ENGLISH);
      Map<String, String> renamed = new LinkedHashMap<>(original.words());
      renamed.merge("name", ", copy " + i, String::concat);
      Catalogue.Snapshot copy =
          new OwnExercise("own-" + i, original.facts(), renamed).snapshot(Locale.ENGLISH);
      facts.append(copy.facts());
      copy.words().values().forEach(words::append);
    }
    Catalogue library =
        shipped.with(
            new Catalogue.Snapshot(facts.toString(), Map.of("en", words.toString())), Set.of());
    return new Search(library, new ArrayList<>(library.all()), Locale.ENGLISH);
  }

  @Benchmark
  public List<Exercise> find() {
    return search.find(line);
  }
}
