package org.biokinet.core.program;

import java.util.ArrayList;
import java.util.List;

/**
 * The append-only log of a draft, replayed. Undo and redo are entries like any other: undo takes
 * back the newest edit that stands, redo brings back what was last undone, a new edit ends redo.
 */
public final class DraftLog {

  /** How many edits can be taken back; our choice. */
  public static final int UNDO_STEPS = 50;

  /** One line of the log. */
  public sealed interface Entry {
    record Edited(DraftEdit edit) implements Entry {}

    record Undone() implements Entry {}

    record Redone() implements Entry {}
  }

  private final Draft start;
  private final List<DraftEdit> standing = new ArrayList<>();
  private final List<DraftEdit> undone = new ArrayList<>();

  private DraftLog(Draft start) {
    this.start = start;
  }

  public static DraftLog replay(Draft start, List<Entry> entries) {
    DraftLog log = new DraftLog(start);
    entries.forEach(log::append);
    return log;
  }

  private void append(Entry entry) {
    if (entry instanceof Entry.Edited e) {
      standing.add(e.edit());
      undone.clear();
    } else if (entry instanceof Entry.Undone) {
      if (canUndo()) undone.add(standing.remove(standing.size() - 1));
    } else if (canRedo()) {
      standing.add(undone.remove(undone.size() - 1));
    }
  }

  public boolean canUndo() {
    return !standing.isEmpty() && undone.size() < UNDO_STEPS;
  }

  public boolean canRedo() {
    return !undone.isEmpty();
  }

  public Draft draft() {
    Draft draft = start;
    for (DraftEdit e : standing) draft = e.apply(draft);
    return draft;
  }
}
