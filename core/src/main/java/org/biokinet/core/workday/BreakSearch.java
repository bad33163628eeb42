package org.biokinet.core.workday;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.biokinet.core.calendar.Span;
import org.jspecify.annotations.Nullable;

/**
 * The best breaks of a day by dynamic programming over its minutes: the best way to every minute at
 * which a break can end, from the best ways to those before. That is exact, since the order of
 * {@link Way} does not change when the same is added to both. How many breaks there were is kept
 * apart only where the best without a limit has too many.
 */
final class BreakSearch {

  /**
   * By how many minutes sittings were longer than preferred, the most first; none that was not. Of
   * two, that is worse in which the first that differs is more.
   */
  private static final class Beyond {
    private final int[] minutes;

    static final Beyond NONE = new Beyond();

    private Beyond(int... minutes) {
      this.minutes = minutes;
    }

    Beyond with(int more) {
      if (more == 0) return this;
      int[] all = Arrays.copyOf(minutes, minutes.length + 1);
      int i = minutes.length;
      for (; i > 0 && all[i - 1] < more; i--) all[i] = all[i - 1];
      all[i] = more;
      return new Beyond(all);
    }

    Beyond with(Beyond others) {
      Beyond all = this;
      for (int more : others.minutes) all = all.with(more);
      return all;
    }

    boolean worseThan(Beyond others) {
      return compareWith(0, others) > 0;
    }

    /** These with one more, unless that is 0, against others, without making them. */
    int compareWith(int more, Beyond others) {
      int mine = 0;
      boolean added = more == 0;
      for (int other : others.minutes) {
        int value;
        if (!added && (mine == minutes.length || more >= minutes[mine])) {
          value = more;
          added = true;
        } else if (mine < minutes.length) {
          value = minutes[mine++];
        } else {
          return -1;
        }
        if (value != other) return Integer.compare(value, other);
      }
      return added && mine == minutes.length ? 0 : 1;
    }
  }

  /**
   * How a day went until the end of a break, or until the end of some work.
   *
   * @param beyond of the sittings; a break in a soft meeting counts as what it may give way to
   * @param moved breaks that are not where they were planned before
   * @param uneven sum of the squares of how far each sitting was from what is preferred
   * @param at the beginning of the last break, in minutes of the day; -1 where there is none here
   */
  private record Way(
      Beyond beyond, int breaks, int moved, long uneven, int at, @Nullable Way before) {

    /** Whether going on from here after sitting is better than what is known. */
    boolean betterThan(@Nullable Way known, int more, long unevenness) {
      if (known == null) return true;
      int by = beyond.compareWith(more, known.beyond);
      if (by == 0) by = Integer.compare(breaks, known.breaks);
      if (by == 0) by = Integer.compare(moved, known.moved);
      if (by == 0) by = Long.compare(uneven + unevenness, known.uneven);
      return by < 0;
    }

    Way afterSitting(int more, long unevenness) {
      return new Way(beyond.with(more), breaks, moved, uneven + unevenness, -1, this);
    }

    /** After sitting, with a break from that minute on. */
    Way and(int softly, int shifted, int start) {
      return new Way(beyond.with(softly), breaks + 1, moved + shifted, uneven, start, before);
    }
  }

  private static final Way NOTHING = new Way(Beyond.NONE, 0, 0, 0, -1, null);

  private final BreakWish wish;
  private final int number;
  private final Instant origin;
  private final List<Span> pieces;

  /** Minutes at which a break can begin. */
  private final boolean[] open;

  /** Those at which it would be in a soft meeting. */
  private final boolean[] soft;

  /** What is still to come after a minute, whatever breaks there are: nobody can stand up in it. */
  private final Beyond[] booked;

  private final Set<Integer> before = new HashSet<>();

  BreakSearch(BreakPlan.Situation s) {
    wish = s.wish();
    number = wish.number();
    pieces = Span.without(s.day().work(), s.taken());
    origin = pieces.isEmpty() ? Instant.EPOCH : pieces.get(0).from();
    int minutes = pieces.isEmpty() ? 0 : minute(pieces.get(pieces.size() - 1).until());
    open = new boolean[minutes + 1];
    soft = new boolean[minutes + 1];
    boolean[] closed = within(s.day().closed());
    boolean[] softly = within(s.day().soft());
    for (Span piece : pieces) {
      int from = Math.max(minute(piece.from()), s.from().isAfter(origin) ? minute(s.from()) : 0);
      for (int t = from; t + wish.length() <= minute(piece.until()); t++) {
        open[t] = clear(closed, t);
        soft[t] = !clear(softly, t);
      }
    }
    booked = new Beyond[open.length];
    Arrays.fill(booked, Beyond.NONE);
    book();
    for (Instant at : s.before()) before.add(minute(at));
  }

  /** From one minute at which a break can begin to the next somebody sits, unless they have it. */
  private void book() {
    Beyond later = Beyond.NONE;
    int whole = booked.length;
    for (int p = pieces.size() - 1; p >= 0; p--) {
      int next = minute(pieces.get(p).until());
      Arrays.fill(booked, next, whole, later);
      whole = next;
      for (int t = next - 1; t >= minute(pieces.get(p).from()); t--) {
        if (open[t]) {
          later = later.with(beyond(next - t - wish.length()));
          next = t;
        }
        booked[t] = later;
        whole = t;
      }
    }
  }

  private int beyond(int sat) {
    return Math.max(0, sat - wish.preferred());
  }

  private long uneven(int sat) {
    return (long) (sat - wish.preferred()) * (sat - wish.preferred());
  }

  private Way stood(Way sat, int start) {
    return sat.and(
        soft[start] ? Math.max(1, wish.most() - wish.preferred()) : 0,
        before.isEmpty() || before.contains(start) ? 0 : 1,
        start);
  }

  /** The best breaks, in order. */
  List<Span> best() {
    Way way = searched(null);
    if (way.breaks > number) way = searched(simple());
    ArrayDeque<Span> breaks = new ArrayDeque<>();
    for (Way w = way; w != null; w = w.before) {
      if (w.at >= 0) {
        breaks.addFirst(Span.ofMinutes(origin.plus(Duration.ofMinutes(w.at)), wish.length()));
      }
    }
    return List.copyOf(breaks);
  }

  /**
   * The least that can be had by standing up as late as some minutes of sitting allow, of all such
   * minutes that need no more breaks than there are: a first answer, so that what cannot be better
   * need not be looked at.
   */
  private Beyond simple() {
    for (int minutes = wish.preferred(); ; minutes++) {
      Way way = NOTHING;
      for (Span piece : pieces) way = simply(piece, way, minutes);
      // Past the whole day nobody stands up at all.
      if (way.breaks <= number) return way.beyond;
    }
  }

  private Way simply(Span piece, Way way, int minutes) {
    int from = minute(piece.from());
    int last = minute(piece.until());
    for (int t = standing(from, last, minutes); t >= 0; t = standing(from, last, minutes)) {
      way = stood(way.afterSitting(beyond(t - from), 0), t);
      from = t + wish.length();
    }
    return way.afterSitting(beyond(last - from), 0);
  }

  /**
   * The last minute at which a break can begin within so many of sitting, else the first after
   * them; -1 where none can, or none need.
   */
  private int standing(int from, int last, int minutes) {
    if (last - from <= minutes) return -1;
    int latest = -1;
    for (int t = from + wish.least(); t + wish.length() <= last; t++) {
      if (latest >= 0 && t - from > minutes) break;
      if (open[t]) latest = t;
    }
    return latest;
  }

  /**
   * @param enough what is at least to be had with no more breaks than wished; ways are then kept by
   *     how many they have. Without it, their number does not matter
   */
  private Way searched(@Nullable Beyond enough) {
    @Nullable Way[] done = new Way[enough == null ? 1 : number + 1];
    done[0] = NOTHING;
    for (Span piece : pieces) done = through(piece, done, enough);
    Way best = null;
    for (Way way : done) {
      if (way != null && way.betterThan(best, 0, 0)) best = way;
    }
    if (best == null) throw new IllegalStateException("no way through the day");
    return best;
  }

  /** From the ways until some work, by their number of breaks, to those after it. */
  private @Nullable Way[] through(Span piece, @Nullable Way[] until, @Nullable Beyond enough) {
    int first = minute(piece.from());
    int last = minute(piece.until());
    @Nullable Way[] done = new Way[until.length];
    @Nullable Way[] from = new Way[last - first + 1];
    for (int layer = 0; layer < until.length; layer++) {
      from[0] = until[layer];
      Beginnings beginnings = new Beginnings(from, first);
      // With a limit the ways after one more break are of the next layer.
      @Nullable Way[] next = enough == null ? from : new Way[from.length];
      boolean another = enough == null || layer < number;
      for (int t = first; another && t + wish.length() <= last; t++) {
        Way sat = open[t] ? beginnings.best(t - wish.least(), t) : null;
        if (sat == null) continue;
        Way stood = stood(sat, t);
        if (enough != null && stood.beyond.with(booked[t]).worseThan(enough)) continue;
        next[t + wish.length() - first] = stood;
      }
      done[layer] = beginnings.best(last, last);
      from = next;
    }
    return done;
  }

  /** The minutes at which a sitting can have begun, with the best way there. */
  private final class Beginnings {
    private final @Nullable Way[] ways;
    private final int first;
    private final int[] minutes;
    private final Way[] those;

    /** Of each and all before it the one that sat the least beyond. */
    private final Way[] least;

    private int size;
    private int read;

    Beginnings(@Nullable Way[] ways, int first) {
      this.ways = ways;
      this.first = first;
      minutes = new int[ways.length];
      those = new Way[ways.length];
      least = new Way[ways.length];
    }

    /** The best way that has sat until a minute, of sittings that began by another one. */
    @Nullable Way best(int began, int until) {
      for (; read <= began - first; read++) {
        Way way = ways[read];
        if (way == null) continue;
        minutes[size] = first + read;
        those[size] = way;
        least[size] =
            size > 0 && !least[size - 1].beyond.worseThan(way.beyond) ? least[size - 1] : way;
        size++;
      }
      Way best = null;
      for (int i = size - 1; i >= 0; i--) {
        int sat = until - minutes[i];
        int more = beyond(sat);
        // Whoever began still earlier sat longer, and the best of them was no better until then.
        if (best != null && least[i].beyond.compareWith(more, best.beyond) > 0) break;
        if (those[i].betterThan(best, more, uneven(sat))) {
          best = those[i].afterSitting(more, uneven(sat));
        }
      }
      return best;
    }
  }

  private int minute(Instant moment) {
    return (int) Duration.between(origin, moment).toMinutes();
  }

  /** Minutes of the day that are in one of these. */
  private boolean[] within(List<Span> spans) {
    boolean[] within = new boolean[open.length];
    for (Span s : spans) {
      int until = Math.min(within.length, minute(s.until()));
      for (int t = Math.max(0, minute(s.from())); t < until; t++) within[t] = true;
    }
    return within;
  }

  /** Whether a break from then on has none of these minutes in it. */
  private boolean clear(boolean[] minutes, int from) {
    for (int t = from; t < from + wish.length(); t++) if (minutes[t]) return false;
    return true;
  }
}
