package org.biokinet.core.dose;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Token.Kind;
import org.jspecify.annotations.Nullable;

/** Recursive descent over the tokens of one typed dose. */
final class DoseParser {

  /** Not understood; carries the span and whole texts that would be one-tap fixes. */
  static final class Refusal extends RuntimeException {
    private final int from;
    private final int to;
    private final List<String> candidates;

    Refusal(String message, int from, int to, List<String> candidates) {
      super(message, null, false, false);
      this.from = from;
      this.to = to;
      this.candidates = candidates;
    }

    /** Offers only those fixes that are themselves valid, in canonical form. */
    Parsed.Fault toFault(String text, DoseContext context) {
      Set<String> fixes = new LinkedHashSet<>();
      for (String candidate : candidates) {
        if (candidate.equals(text)) continue;
        try {
          fixes.add(DoseNotation.format(new DoseParser(candidate, context).parse()));
        } catch (Refusal ignored) {
          // Two things are wrong with the text; a fix for one of them is no fix.
        }
      }
      return new Parsed.Fault(
          String.valueOf(getMessage()), from, Math.max(from, to), List.copyOf(fixes));
    }
  }

  private enum PartKind {
    DIRECTION,
    CEILING,
    EFFORT,
    KILOGRAMS,
    BAND,
    TEMPO,
    REST,
    PER_DAY,
    PER_WEEK,
    EVERY
  }

  /** What stands between a number and its unit of time: 2/d, 2x a day. */
  private static final Set<Kind> PER = EnumSet.of(Kind.SLASH, Kind.A, Kind.EACH);

  private record Part(int value, int from, int to) {}

  /** A number with the unit typed behind it, if any. */
  private record Quantity(int value, Kind unit, int from, int to) {
    boolean isLength() {
      return unit == Kind.SECONDS || unit == Kind.BREATHS || unit == Kind.MINUTES;
    }
  }

  private static final class Block {
    final Map<PartKind, Part> parts = new EnumMap<>(PartKind.class);
    @Nullable Side side;
    @Nullable Work work;
    int from;
    int to;
  }

  private final String text;
  private final DoseContext context;
  private final List<Token> tokens;
  private int at;

  DoseParser(String text, DoseContext context) {
    this.text = text;
    this.context = context;
    this.tokens = Token.scan(text);
  }

  Dose parse() {
    for (Token t : tokens) {
      if (t.kind() == Kind.DECIMAL && after(t).kind() != Kind.KILOGRAMS) {
        throw refuse("numbers are whole: %s".formatted(read(t)), t);
      }
    }
    checkRange();
    if (peek().kind() == Kind.END) {
      throw refuse("a dose is missing; %s".formatted(whatFits()), peek());
    }
    List<Block> blocks = new ArrayList<>();
    do {
      blocks.add(block());
    } while (peek().kind() != Kind.END);
    return assemble(blocks);
  }

  private Token after(Token t) {
    return tokens.get(tokens.indexOf(t) + 1);
  }

  // ---- blocks ------------------------------------------------------------------------------

  private Block block() {
    Block block = new Block();
    block.from = peek().from();
    block.side = side();
    block.work = work();
    while (true) {
      skip(Kind.NOISE);
      Token t = peek();
      if (t.kind() == Kind.END) break;
      if (t.kind() == Kind.LEFT || t.kind() == Kind.RIGHT) {
        boolean trailing = block.side == null && peek(1).kind() == Kind.END;
        if (trailing) block.side = side(); // "30s on the left"
        break;
      }
      part(block);
    }
    block.to = peek().from();
    return block;
  }

  private @Nullable Side side() {
    Token t = peek();
    if (t.kind() != Kind.LEFT && t.kind() != Kind.RIGHT) return null;
    if (!context.sides().sided()) {
      throw refuse("%s: this exercise has no sides".formatted(read(t)), t, without(t));
    }
    at++;
    return t.kind() == Kind.LEFT ? Side.LEFT : Side.RIGHT;
  }

  private Dose assemble(List<Block> blocks) {
    Block first = blocks.get(0);
    if (blocks.size() > 2) {
      throw refuse("a dose has two sides at most", blocks.get(2));
    }
    if (blocks.size() == 1) {
      SideDose dose = sideDose(first);
      checkRest(first, dose, dose);
      return first.side == null ? new Dose.Alike(dose) : new Dose.OneSide(first.side, dose);
    }
    Block second = blocks.get(1);
    if (first.side == null || first.side == second.side) {
      String message =
          first.side == null
              ? "say the side of both: L … R …"
              : "%s is given twice".formatted(first.side.letter());
      throw refuse(message, first.side == null ? first : second);
    }
    // A kind of part given at the end only is common to both sides.
    for (Map.Entry<PartKind, Part> e : second.parts.entrySet()) {
      first.parts.putIfAbsent(e.getKey(), e.getValue());
    }
    for (Map.Entry<PartKind, Part> e : first.parts.entrySet()) {
      if (!second.parts.containsKey(e.getKey())) {
        String p = read(e.getValue());
        throw refuse(
            "%s stands on the first side only; put it at the end for both, or on each side"
                .formatted(p),
            e.getValue(),
            text.strip() + " " + p);
      }
    }
    SideDose one = sideDose(first);
    SideDose two = sideDose(second);
    checkRest(first, one, two);
    return first.side == Side.LEFT ? Dose.of(one, two) : Dose.of(two, one);
  }

  // ---- work --------------------------------------------------------------------------------

  private Work work() {
    skip(Kind.NOISE);
    int from = peek().from();
    List<Quantity> quantities = new ArrayList<>();
    boolean open = false;
    while (true) {
      skip(Kind.NOISE);
      if (peek().kind() == Kind.CR) return contractRelax(quantities);
      if (peek().kind() != Kind.NUMBER) {
        Token t = peek();
        if (t.kind() == Kind.END) throw refuse("the dose ends too early; " + whatFits(), t);
        throw refuse("%s does not say how much; %s".formatted(read(t), whatFits()), t);
      }
      quantities.add(quantity());
      skip(Kind.NOISE);
      if (open && peek().kind() == Kind.CLOSE) {
        at++;
        open = false;
        break;
      }
      Kind next = peek().kind();
      Kind unit = last(quantities).unit();
      boolean counted = unit == Kind.SETS || unit == Kind.REPS;
      if (next == Kind.TIMES || next == Kind.OF) {
        at++;
        skip(Kind.OF);
      } else if (next == Kind.OPEN && !open) {
        at++;
        open = true;
      } else if (!(counted
          && next == Kind.NUMBER
          && !frequencyAhead()
          && !percentAhead()
          && !weightAhead())) {
        break;
      }
    }
    if (open) throw refuse("the bracket is not closed", peek());
    return interpret(quantities, from, last(quantities).to());
  }

  private Quantity quantity() {
    Token n = next();
    int value = n.value();
    Kind unit = peek().kind();
    int to = n.to();
    switch (unit) {
      case SECONDS, BREATHS, REPS, SETS -> to = next().to();
      case MINUTES -> {
        to = next().to();
        if (context.mode() == Mode.WALK) break;
        value = value > Bounds.HOLD_SECONDS.most() ? value : value * 60;
        unit = Kind.SECONDS;
        if (peek().kind() == Kind.NUMBER && peek(1).kind() == Kind.SECONDS) {
          value += next().value(); // "1 min 30 s"
          to = next().to();
        }
      }
      default -> unit = Kind.NOISE;
    }
    return new Quantity(value, unit, n.from(), to);
  }

  private Work contractRelax(List<Quantity> before) {
    Token cr = next();
    if (!context.contractRelax()) {
      throw refuse(
          "contract–relax does not suit this exercise; %s".formatted(whatFits()),
          cr.from(),
          tokens.get(tokens.size() - 1).from(),
          List.of());
    }
    int sets = 1;
    if (before.size() == 1 && !before.get(0).isLength()) {
      Quantity q = before.get(0);
      sets = bounded(Bounds.SETS, q.value(), q.from(), q.to());
    } else if (!before.isEmpty()) {
      throw refuse("contract–relax is written cr3(6s+15s)", cr);
    }
    Token cycles = expect(Kind.NUMBER, "contract–relax needs its cycles: cr3(6s+15s)");
    expect(Kind.OPEN, "contract–relax is written cr3(6s+15s)");
    Token contract = expect(Kind.NUMBER, "contract how long? cr3(6s+15s)");
    expect(Kind.SECONDS, "the contraction is in seconds: cr3(6s+15s)");
    expect(Kind.PLUS, "contract–relax is written cr3(6s+15s)");
    Token deeper = expect(Kind.NUMBER, "deeper how long? cr3(6s+15s)");
    boolean breaths = peek().kind() == Kind.BREATHS;
    if (!breaths && peek().kind() != Kind.SECONDS) {
      throw refuse("the deeper hold is in s or br: cr3(6s+15s)", peek());
    }
    at++;
    expect(Kind.CLOSE, "the bracket is not closed: cr3(6s+15s)");
    bounded(Bounds.CYCLES, cycles);
    bounded(Bounds.CONTRACT_SECONDS, contract);
    bounded(breaths ? Bounds.DEEPER_BREATHS : Bounds.DEEPER_SECONDS, deeper);
    return new Work.ContractRelax(
        sets,
        cycles.value(),
        contract.value(),
        breaths ? Length.breaths(deeper.value()) : Length.seconds(deeper.value()));
  }

  /** Sorts what was counted into sets, repetitions and hold; checks that the mode takes it. */
  private Work interpret(List<Quantity> quantities, int from, int to) {
    Quantity hold = null;
    Quantity sets = null;
    List<Quantity> counts = new ArrayList<>();
    for (Quantity q : quantities) {
      if (q.isLength() && hold == null) {
        hold = q;
      } else if (q.unit() == Kind.SETS && sets == null) {
        sets = q;
      } else if (q.isLength() || q.unit() == Kind.SETS) {
        throw refuse("%s comes a second time".formatted(read(q)), q.from(), q.to(), List.of());
      } else {
        counts.add(q);
      }
    }
    if (counts.size() + (sets == null ? 0 : 1) > 2) {
      throw refuse("more than sets, repetitions and a hold: " + read(from, to), from, to);
    }
    if (sets == null && counts.size() == 2) sets = counts.remove(0);
    Quantity reps = counts.isEmpty() ? null : counts.get(0);
    if (hold == null) return bare(sets, reps, from, to);
    if (reps == null && sets != null) {
      reps = sets; // three sets of one hold are three repetitions
      sets = null;
    }
    checkHold(reps, hold, from, to);
    int setCount = sets == null ? 1 : bounded(Bounds.SETS, sets.value(), sets.from(), sets.to());
    int repCount =
        reps == null ? 1 : bounded(Bounds.REPETITIONS, reps.value(), reps.from(), reps.to());
    Length.Unit unit =
        switch (hold.unit()) {
          case BREATHS -> Length.Unit.BREATHS;
          case MINUTES -> Length.Unit.MINUTES;
          default -> Length.Unit.SECONDS;
        };
    bounded(Bounds.of(unit), hold.value(), hold.from(), hold.to());
    if (repCount == 1 && setCount > 1) {
      bounded(Bounds.REPETITIONS, setCount, from, to);
      repCount = setCount;
      setCount = 1;
    }
    return new Work.Holds(
        setCount, repCount, new Length(hold.value(), unit), context.mode() == Mode.MOVE);
  }

  private Work bare(@Nullable Quantity sets, @Nullable Quantity reps, int from, int to) {
    Mode mode = context.mode();
    if (mode == Mode.MOVE || mode == Mode.CIRCLE) {
      if (reps == null) {
        throw refuse("sets of how many? such as 3x10", from, to);
      }
      return new Work.Repetitions(
          sets == null ? 1 : bounded(Bounds.SETS, sets.value(), sets.from(), sets.to()),
          bounded(Bounds.REPETITIONS, reps.value(), reps.from(), reps.to()));
    }
    String typed = read(from, to);
    if (reps != null && reps.unit() == Kind.REPS) {
      throw refuse("%s takes no bare repetitions; %s".formatted(mode.noun(), whatFits()), from, to);
    }
    List<String> units =
        switch (mode) {
          case HOLD, ISO -> List.of("s", "br");
          case BREATH -> List.of("br");
          case WALK -> List.of("min");
          default -> List.of("s");
        };
    String question =
        units.size() > 1
            ? "%s: seconds or breaths?".formatted(typed)
            : "%s of what? %s".formatted(typed, whatFits());
    throw refuse(
        question, from, to, units.stream().map(u -> replaced(from, to, typed + u)).toList());
  }

  private void checkHold(@Nullable Quantity reps, Quantity hold, int from, int to) {
    boolean breaths = hold.unit() == Kind.BREATHS;
    switch (context.mode()) {
      case CIRCLE -> throw refuse("a circle takes repetitions, such as 5, not a hold", from, to);
      case MOVE -> {
        if (reps == null) {
          List<String> fix =
              hold.unit() == Kind.SECONDS && Bounds.END_HOLD_SECONDS.allows(hold.value())
                  ? List.of(replaced(from, to, "1x" + hold.value() + "s"))
                  : List.of();
          throw refuse(
              "a movement takes repetitions, such as 10, or repetitions with a short hold, such as"
                  + " 10x5s",
              from,
              to,
              fix);
        }
        if (breaths) {
          throw refuse(
              "the hold at the end of a movement is in seconds, such as 10x5s",
              hold.from(),
              hold.to());
        }
        bounded(Bounds.END_HOLD_SECONDS, hold.value(), hold.from(), hold.to());
      }
      case BREATH -> {
        if (!breaths) {
          throw refuse("a breathing exercise takes breaths, such as 6br", from, to);
        }
      }
      case GAZE, RELEASE, PULSE -> {
        if (breaths) {
          throw refuse("%s takes seconds, such as 20s".formatted(context.mode().noun()), from, to);
        }
      }
      case WALK -> {
        if (hold.unit() != Kind.MINUTES) {
          List<String> fix =
              hold.unit() == Kind.SECONDS && hold.value() % 60 == 0
                  ? List.of(replaced(hold.from(), hold.to(), hold.value() / 60 + "min"))
                  : List.of();
          throw refuse("a walk takes minutes, such as 10min", hold.from(), hold.to(), fix);
        }
        if (reps != null) throw refuse("a walk is one length, such as 10min", from, to);
      }
      case HOLD, ISO -> {}
    }
  }

  private String whatFits() {
    return switch (context.mode()) {
      case HOLD ->
          context.contractRelax()
              ? "a stretch takes holds, such as 2x30s, 3x4br or cr3(6s+15s)"
              : "a stretch takes holds, such as 2x30s or 3x4br";
      case ISO -> "an isometric hold takes holds, such as 3x10s";
      case MOVE -> "a movement takes repetitions, such as 10, 2x10 or 10x5s";
      case CIRCLE -> "a circle takes repetitions, such as 5";
      case BREATH -> "a breathing exercise takes breaths, such as 6br";
      case WALK -> "a walk takes minutes, such as 10min";
      case GAZE, RELEASE, PULSE -> "%s takes seconds, such as 20s".formatted(context.mode().noun());
    };
  }

  // ---- parts -------------------------------------------------------------------------------

  private void part(Block block) {
    Token t = peek();
    switch (t.kind()) {
      case SLASH, EACH -> sideOrDirection(block, t);
      case AT -> {
        at++;
        Token n = expect(Kind.NUMBER, "@ needs a number from 1 to 6");
        int to = n.to();
        if (peek().kind() == Kind.SLASH && peek(1).kind() == Kind.NUMBER) {
          Token scale = peek(1);
          if (scale.value() != 10) throw refuse("the stretch scale ends at 10", scale);
          at += 2;
          to = scale.to();
        }
        set(block, PartKind.CEILING, Bounds.CEILING, n.value(), t.from(), to);
      }
      case NUMBER -> numberPart(block, t);
      case DECIMAL -> {
        at++;
        weight(block, t, t.value(), next());
      }
      case BAND -> {
        at++;
        Token n = expect(Kind.NUMBER, "which band? band1 to band5");
        set(block, PartKind.BAND, Bounds.BAND, n.value(), t.from(), n.to());
      }
      case TEMPO -> {
        at++;
        Token n = expect(Kind.NUMBER, "tempo in seconds a repetition, such as t6s");
        int to = peek().kind() == Kind.SECONDS ? next().to() : n.to();
        set(block, PartKind.TEMPO, Bounds.TEMPO, n.value(), t.from(), to);
      }
      case REST -> {
        at++;
        if (peek().kind() != Kind.NUMBER) throw refuse("rest in seconds, such as rest 5s", peek());
        Quantity q = quantity();
        set(block, PartKind.REST, Bounds.REST, q.value(), t.from(), q.to());
      }
      case FORWARD, BACKWARD, CLOCKWISE, COUNTERCLOCKWISE -> {
        at++;
        direction(block, t);
      }
      case DAILY -> {
        at++;
        set(block, PartKind.PER_DAY, Bounds.PER_DAY, t.value(), t.from(), t.to());
      }
      case EVERY -> {
        at++;
        if (peek().kind() == Kind.DAY) {
          set(block, PartKind.PER_DAY, Bounds.PER_DAY, 1, t.from(), next().to());
          return;
        }
        Token n = expect(Kind.NUMBER, "every how many minutes? such as q45m");
        Token m = expect(Kind.MINUTES, "the desk interval is in minutes, such as q45m");
        set(block, PartKind.EVERY, Bounds.EVERY_MINUTES, n.value(), t.from(), m.to());
      }
      default -> throw refuse("did not understand %s".formatted(read(t)), t, without(t));
    }
  }

  private void numberPart(Block block, Token n) {
    if (percentAhead()) {
      at++;
      Token p = next();
      Bounds bounds =
          block.work instanceof Work.ContractRelax ? Bounds.CONTRACT_EFFORT : Bounds.EFFORT;
      set(block, PartKind.EFFORT, bounds, n.value(), n.from(), p.to());
      return;
    }
    if (weightAhead()) {
      at++;
      weight(
          block, n, n.value() > Bounds.HALF_KILOGRAMS.most() ? n.value() : 2 * n.value(), next());
      return;
    }
    if (peek(1).kind() == Kind.SECONDS && peek(2).kind() == Kind.REST) {
      at += 3;
      set(block, PartKind.REST, Bounds.REST, n.value(), n.from(), tokens.get(at - 1).to());
      return;
    }
    if (!frequencyAhead()) {
      throw refuse("did not understand %s here".formatted(read(n)), n, without(n));
    }
    at++;
    if (peek().kind() == Kind.DAY) at++; // "5 days a week"
    if (peek().kind() == Kind.TIMES) at++;
    if (PER.contains(peek().kind())) at++;
    Token unit = next();
    if (unit.kind() == Kind.WEEK) {
      set(block, PartKind.PER_WEEK, Bounds.PER_WEEK, n.value(), n.from(), unit.to());
    } else {
      set(block, PartKind.PER_DAY, Bounds.PER_DAY, n.value(), n.from(), unit.to());
    }
  }

  private void weight(Block block, Token number, int halves, Token unit) {
    if (halves < 0) throw refuse("a weight is in halves, such as 1.5kg", number);
    set(block, PartKind.KILOGRAMS, Bounds.HALF_KILOGRAMS, halves, number.from(), unit.to());
  }

  private boolean weightAhead() {
    return peek().kind() == Kind.NUMBER && peek(1).kind() == Kind.KILOGRAMS;
  }

  private boolean percentAhead() {
    return peek().kind() == Kind.NUMBER && peek(1).kind() == Kind.PERCENT;
  }

  /** Number, then: /d · x/day · times a day · a week · days a week · x daily. */
  private boolean frequencyAhead() {
    if (peek().kind() != Kind.NUMBER) return false;
    int i = 1;
    if (peek(i).kind() == Kind.DAY) i++;
    if (peek(i).kind() == Kind.TIMES) i++;
    if (peek(i).kind() == Kind.DAILY && peek(i).value() == 1) return true;
    if (!PER.contains(peek(i).kind())) return false;
    Kind unit = peek(i + 1).kind();
    return unit == Kind.DAY || unit == Kind.WEEK;
  }

  /** Accepted where the exercise implies it; never printed. */
  private void sideOrDirection(Block block, Token start) {
    Kind unit = peek(1).kind();
    if (unit != Kind.SIDE && unit != Kind.WAY) {
      throw refuse("did not understand %s".formatted(read(start)), start, without(start));
    }
    at++;
    Token end = next();
    String typed = read(start.from(), end.to());
    if (unit == Kind.SIDE && block.side != null) {
      throw refuse(
          "%s and %s contradict each other".formatted(block.side.letter(), typed),
          start.from(),
          end.to(),
          List.of(replaced(start.from(), end.to(), "")));
    }
    // "each way" on a turn or tilt means each side; on a circle it means each direction.
    boolean fits =
        unit == Kind.SIDE
            ? context.sides().sided()
            : context.sides().directed() || context.sides().sided();
    if (!fits) {
      throw refuse(
          unit == Kind.SIDE
              ? "%s: this exercise has no sides".formatted(typed)
              : "%s: this exercise has no directions".formatted(typed),
          start.from(),
          end.to(),
          List.of(replaced(start.from(), end.to(), "")));
    }
  }

  private void direction(Block block, Token t) {
    Direction direction =
        switch (t.kind()) {
          case FORWARD -> Direction.FORWARD;
          case BACKWARD -> Direction.BACKWARD;
          case CLOCKWISE -> Direction.CLOCKWISE;
          default -> Direction.COUNTERCLOCKWISE;
        };
    if (!context.directions().contains(direction)) {
      String message =
          context.directions().isEmpty()
              ? "%s: this exercise has no directions".formatted(read(t))
              : "%s: this exercise goes %s or %s"
                  .formatted(
                      read(t),
                      context.directions().get(0).code(),
                      context.directions().get(1).code());
      throw refuse(message, t, without(t));
    }
    set(block, PartKind.DIRECTION, null, context.directions().indexOf(direction), t.from(), t.to());
  }

  private void set(
      Block block, PartKind kind, @Nullable Bounds bounds, int value, int from, int to) {
    clash(block.parts.get(kind), from, to);
    if (kind == PartKind.KILOGRAMS) clash(block.parts.get(PartKind.BAND), from, to);
    if (kind == PartKind.BAND) clash(block.parts.get(PartKind.KILOGRAMS), from, to);
    if (kind == PartKind.EVERY) clash(block.parts.get(PartKind.PER_DAY), from, to);
    if (kind == PartKind.PER_DAY) clash(block.parts.get(PartKind.EVERY), from, to);
    if (bounds != null) bounded(bounds, value, from, to);
    checkFits(block, kind, from, to);
    block.parts.put(kind, new Part(value, from, to));
  }

  private void clash(@Nullable Part earlier, int from, int to) {
    if (earlier == null) return;
    throw refuse(
        "%s and %s contradict each other: keep one".formatted(read(earlier), read(from, to)),
        from,
        to,
        List.of(replaced(from, to, ""), replaced(earlier.from(), earlier.to(), "")));
  }

  private void checkFits(Block block, PartKind kind, int from, int to) {
    Mode mode = context.mode();
    boolean repeats = mode == Mode.MOVE || mode == Mode.CIRCLE;
    boolean active =
        repeats
            || mode == Mode.ISO
            || mode == Mode.PULSE
            || block.work instanceof Work.ContractRelax;
    String why =
        switch (kind) {
          case TEMPO -> repeats ? "" : "is a tempo, for movements and circles";
          case EFFORT -> active ? "" : "is an effort, for active, isometric or contract movements";
          case CEILING ->
              mode == Mode.BREATH || mode == Mode.GAZE || mode == Mode.WALK
                  ? "is a stretch ceiling"
                  : "";
          case KILOGRAMS, BAND ->
              context.resisted() ? "" : "is a load, for resisted movements and holds";
          case REST ->
              mode == Mode.WALK
                  ? "is a rest, and a walk goes on"
                  : mode == Mode.BREATH ? "is a rest, and breaths follow one another" : "";
          default -> "";
        };
    if (!why.isEmpty()) {
      throw refuse(
          "%s %s; this is %s".formatted(read(from, to), why, mode.noun()),
          from,
          to,
          List.of(replaced(from, to, "")));
    }
  }

  /** Repetitions follow one another without rest, so a rest needs sets to stand between. */
  private void checkRest(Block block, SideDose one, SideDose two) {
    Part rest = block.parts.get(PartKind.REST);
    boolean repeats = context.mode() == Mode.MOVE || context.mode() == Mode.CIRCLE;
    if (rest != null && repeats && one.work().sets() == 1 && two.work().sets() == 1) {
      throw refuse(
          "%s stands between sets, and there is one set".formatted(read(rest)),
          rest,
          replaced(rest.from(), rest.to(), ""));
    }
  }

  private SideDose sideDose(Block block) {
    Work work = block.work;
    if (work == null) throw new IllegalStateException("a block without work was parsed");
    Part direction = block.parts.get(PartKind.DIRECTION);
    return new SideDose(
        work,
        direction == null
            ? Optional.empty()
            : Optional.of(context.directions().get(direction.value())),
        value(block, PartKind.CEILING),
        value(block, PartKind.EFFORT),
        resistance(block),
        value(block, PartKind.TEMPO),
        value(block, PartKind.REST),
        value(block, PartKind.PER_DAY),
        value(block, PartKind.PER_WEEK),
        value(block, PartKind.EVERY));
  }

  private static Optional<Resistance> resistance(Block block) {
    OptionalInt kilograms = value(block, PartKind.KILOGRAMS);
    if (kilograms.isPresent()) return Optional.of(new Resistance.Weight(kilograms.getAsInt()));
    OptionalInt band = value(block, PartKind.BAND);
    return band.isPresent() ? Optional.of(new Resistance.Band(band.getAsInt())) : Optional.empty();
  }

  private static OptionalInt value(Block block, PartKind kind) {
    Part part = block.parts.get(kind);
    return part == null ? OptionalInt.empty() : OptionalInt.of(part.value());
  }

  // ---- tokens ------------------------------------------------------------------------------

  /** A range has two readings and is never guessed. */
  private void checkRange() {
    for (int i = 1; i + 1 < tokens.size(); i++) {
      Token a = tokens.get(i - 1);
      Token b = tokens.get(i + 1);
      if (tokens.get(i).kind() == Kind.DASH && a.kind() == Kind.NUMBER && b.kind() == Kind.NUMBER) {
        throw refuse(
            "%s or %s? a dose is one number".formatted(read(a), read(b)),
            a.from(),
            b.to(),
            List.of(replaced(a.from(), b.to(), read(a)), replaced(a.from(), b.to(), read(b))));
      }
    }
  }

  private Token peek() {
    return tokens.get(at);
  }

  private Token peek(int ahead) {
    return tokens.get(Math.min(at + ahead, tokens.size() - 1));
  }

  private Token next() {
    Token t = tokens.get(at);
    if (t.kind() != Kind.END) at++;
    return t;
  }

  private void skip(Kind kind) {
    while (peek().kind() == kind) at++;
  }

  private Token expect(Kind kind, String message) {
    if (peek().kind() != kind) throw refuse(message, peek());
    return next();
  }

  private void bounded(Bounds bounds, Token t) {
    bounded(bounds, t.value(), t.from(), t.to());
  }

  private int bounded(Bounds bounds, int value, int from, int to) {
    if (!bounds.allows(value)) {
      int nearest = Math.max(bounds.least(), Math.min(bounds.most(), value));
      String typed = read(from, to);
      throw refuse(
          bounds.refusal(value),
          from,
          to,
          List.of(replaced(from, to, typed.replaceFirst("\\d+", Integer.toString(nearest)))));
    }
    return value;
  }

  private static Quantity last(List<Quantity> quantities) {
    return quantities.get(quantities.size() - 1);
  }

  private String read(Token t) {
    return t.kind() == Kind.END ? "the end" : read(t.from(), t.to());
  }

  private String read(Part part) {
    return read(part.from(), part.to());
  }

  private String read(Quantity q) {
    return read(q.from(), q.to());
  }

  private String read(int from, int to) {
    return text.substring(from, to).strip();
  }

  private String replaced(int from, int to, String with) {
    return text.substring(0, from) + with + text.substring(to);
  }

  private String without(Token t) {
    return replaced(t.from(), t.to(), "");
  }

  private static Refusal refuse(String message, Token t) {
    return new Refusal(message, t.from(), t.to(), List.of());
  }

  private static Refusal refuse(String message, Token t, String fix) {
    return new Refusal(message, t.from(), t.to(), List.of(fix));
  }

  private static Refusal refuse(String message, Part part, String fix) {
    return new Refusal(message, part.from(), part.to(), List.of(fix));
  }

  private static Refusal refuse(String message, Block block) {
    return new Refusal(message, block.from, block.to, List.of());
  }

  private static Refusal refuse(String message, int from, int to) {
    return new Refusal(message, from, to, List.of());
  }

  private static Refusal refuse(String message, int from, int to, List<String> fixes) {
    return new Refusal(message, from, to, fixes);
  }
}
