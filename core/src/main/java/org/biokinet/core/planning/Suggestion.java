package org.biokinet.core.planning;

import java.util.List;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;

/**
 * What was found for a case. Nobody has to take it.
 *
 * @param program in the usual order; without items where nothing can be done
 * @param places by item
 * @param served by finding, in the order of the case
 * @param worth what the program is worth, in weights of findings
 * @param bound what it could be worth at most if everything were reached
 * @param seconds of a usual session, compiled
 * @param left what is left out of the program in force, with the reason
 * @param notes what is to be known beside it
 */
public record Suggestion(
    Program program,
    List<Place> places,
    List<Served> served,
    double worth,
    double bound,
    int seconds,
    List<String> left,
    List<String> notes) {

  /**
   * One item.
   *
   * @param given whether it was pinned or is kept, and not chosen
   * @param seconds in the session, with getting into the position
   * @param serves nothing where it is there for another: a movement before a stretch
   */
  public record Place(Item item, boolean given, int seconds, List<Service> serves) {
    public Place {
      serves = List.copyOf(serves);
    }
  }

  /**
   * What an item does for a finding.
   *
   * @param finding its place in the case
   * @param words "lengthen right upper trapezius 30 of 60 s a day"
   */
  public record Service(int finding, Finding.Target target, String words) {}

  /**
   * How far a finding is served.
   *
   * @param share 0–1
   * @param missing why not in full, and what would change that; empty where it is
   */
  public record Served(Finding finding, double share, List<String> missing) {
    public Served {
      missing = List.copyOf(missing);
    }

    public boolean inFull() {
      return share >= 1;
    }
  }

  /** Worth at so many minutes. */
  public record Point(int minutes, double worth) {}

  /**
   * What could stand in a place instead.
   *
   * @param program with it
   * @param seconds more (or less) of the session
   * @param worth more (or less)
   * @param changes what is served more or less by it, in words
   */
  public record RunnerUp(
      Item item, Program program, int seconds, double worth, List<String> changes) {
    public RunnerUp {
      changes = List.copyOf(changes);
    }
  }

  public Suggestion {
    places = List.copyOf(places);
    served = List.copyOf(served);
    left = List.copyOf(left);
    notes = List.copyOf(notes);
  }
}
