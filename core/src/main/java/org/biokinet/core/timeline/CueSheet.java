package org.biokinet.core.timeline;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.biokinet.core.timeline.Segment.Kind;

/**
 * All that is heard in a session, and when, so that it can be followed with closed eyes. A player
 * walks through it and decides nothing.
 *
 * @param sounds in the order of time; at the same moment the tone first
 */
public record CueSheet(List<Sound> sounds) {

  /** Holds from here on have a tone at half-time and a quiet second half; our choice. */
  static final int LONG_SECONDS = 20;

  /** The last seconds of a hold that are counted out; common practice, no source. */
  static final int COUNTED_OUT = 3;

  /** In a shorter hold the count would begin as soon as it is held; our choice. */
  static final int COUNTED_OUT_FROM_SECONDS = 8;

  /** The part of a breath that goes in: out takes a little longer; common practice, no source. */
  public static final double INWARD = 0.4;

  /** What a tone tells. */
  public enum Tone {
    /** Get there: a position, a tool, a set-up. */
    READY,
    /** Move, press or breathe. */
    START,
    /** Stay: the hold begins. */
    HOLD,
    /** Half of a long hold is over. */
    HALF,
    /** One of the last three seconds. */
    LAST,
    /** Come out, let go. */
    OUT,
    /** Rest, settle. */
    REST,
    /** The other side, or the other way. */
    CHANGE,
    /** All is done. */
    END
  }

  /** One thing that is heard, in seconds from the beginning of the session. */
  public sealed interface Sound {
    double at();
  }

  public record Toned(double at, Tone tone) implements Sound {}

  /**
   * @param breath whether it is only for those who want their breath to be led
   */
  public record Said(double at, String text, boolean breath) implements Sound {}

  public CueSheet {
    sounds = List.copyOf(sounds);
  }

  /**
   * @param cues of the timeline, one for each segment
   * @param end what is said when all is done
   * @param in what leads a breath in
   * @param out what leads it out
   */
  static CueSheet of(Timeline timeline, List<Cue> cues, String end, String in, String out) {
    List<Sound> sounds = new ArrayList<>();
    List<Segment> segments = timeline.segments();
    for (int i = 0; i < segments.size(); i++) {
      Segment s = segments.get(i);
      Cue cue = cues.get(i);
      sounds.add(new Toned(s.start(), tone(s.kind())));
      if (!cue.spoken().isEmpty()) sounds.add(new Said(s.start(), cue.spoken(), false));
      if (!cue.ending().isEmpty()) {
        int over = s.start() + window(segments, i);
        sounds.add(new Said(over - cue.endingSeconds(), cue.ending(), false));
      }
      if (isLong(s)) sounds.add(new Toned(s.start() + s.seconds() / 2.0, Tone.HALF));
      boolean counted = isHeld(s.kind()) || s.kind() == Kind.SET_REST;
      for (int n = COUNTED_OUT; counted && n > 0 && s.seconds() >= COUNTED_OUT_FROM_SECONDS; n--) {
        sounds.add(new Toned(s.end() - n, Tone.LAST));
      }
      if (s.breaths() > 0) breaths(sounds, s, cue, in, out);
    }
    if (!segments.isEmpty()) {
      sounds.add(new Toned(timeline.seconds(), Tone.END));
      sounds.add(new Said(timeline.seconds(), end, false));
    }
    sounds.sort(Comparator.comparingDouble(Sound::at)); // stable: the tone stays first
    return new CueSheet(sounds);
  }

  /** In and out with each breath of the dose, where nothing else is being said. */
  private static void breaths(List<Sound> sounds, Segment s, Cue cue, String in, String out) {
    double breath = (double) s.seconds() / s.breaths();
    double from = s.start() + Phrases.seconds(cue.spoken());
    double to = s.end() - cue.endingSeconds();
    for (int n = 0; n < s.breaths(); n++) {
      double start = s.start() + n * breath;
      for (Said word :
          List.of(new Said(start, in, true), new Said(start + INWARD * breath, out, true))) {
        boolean free = word.at() >= from && word.at() + Phrases.seconds(word.text()) <= to;
        if (free) sounds.add(word);
      }
    }
  }

  private static Tone tone(Kind kind) {
    return switch (kind) {
      case POSITION, EQUIPMENT, SETUP -> Tone.READY;
      case ENTER, RISE, CONTRACT, MOVE, BREATHE, TIMED -> Tone.START;
      case HOLD, DEEPER -> Tone.HOLD;
      case EXIT, RELEASE, MOVE_BACK -> Tone.OUT;
      case REST, SET_REST, SETTLE -> Tone.REST;
      case SWITCH_SIDE, SWITCH_DIRECTION -> Tone.CHANGE;
    };
  }

  private static boolean isHeld(Kind kind) {
    return switch (kind) {
      case HOLD, DEEPER, BREATHE, TIMED -> true;
      default -> false;
    };
  }

  /** A hold that is long enough to have a half and a quiet end. */
  static boolean isLong(Segment s) {
    return isHeld(s.kind()) && s.seconds() >= LONG_SECONDS;
  }

  /**
   * Seconds in which what is said at a segment is heard: its own. The short way to a hold, by a
   * rise or a movement to the end of range, is heard on into that hold.
   */
  static int window(List<Segment> segments, int i) {
    int seconds = segments.get(i).seconds();
    return leadsToHold(segments, i) ? seconds + segments.get(i + 1).seconds() : seconds;
  }

  static boolean leadsToHold(List<Segment> segments, int i) {
    Kind kind = segments.get(i).kind();
    return (kind == Kind.RISE || kind == Kind.MOVE)
        && i + 1 < segments.size()
        && segments.get(i + 1).kind() == Kind.HOLD;
  }
}
