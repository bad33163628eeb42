package org.biokinet.core.program;

import java.util.List;

/** A program while it is being written. */
public record Draft(String title, List<DraftItem> items) {

  public Draft {
    items = List.copyOf(items);
  }

  public Draft withItems(List<DraftItem> others) {
    return new Draft(title, others);
  }

  /** Place of an item, or -1 when it is gone. */
  public int indexOf(String key) {
    for (int i = 0; i < items.size(); i++) {
      if (items.get(i).key().equals(key)) return i;
    }
    return -1;
  }
}
