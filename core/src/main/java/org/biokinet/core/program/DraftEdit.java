package org.biokinet.core.program;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.biokinet.core.anatomy.Position;

/**
 * One change to a draft, as it stands in the log. An edit that no longer fits (its item is gone)
 * changes nothing, so that a log can always be replayed.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "edit")
@JsonSubTypes({
  @JsonSubTypes.Type(value = DraftEdit.Add.class, name = "add"),
  @JsonSubTypes.Type(value = DraftEdit.Remove.class, name = "remove"),
  @JsonSubTypes.Type(value = DraftEdit.Move.class, name = "move"),
  @JsonSubTypes.Type(value = DraftEdit.SetDose.class, name = "dose"),
  @JsonSubTypes.Type(value = DraftEdit.SetPosition.class, name = "position"),
  @JsonSubTypes.Type(value = DraftEdit.SetTitle.class, name = "title"),
})
public sealed interface DraftEdit {

  Draft apply(Draft draft);

  /** At the end of the list. */
  record Add(String key, String exercise, String dose) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      List<DraftItem> items = new ArrayList<>(draft.items());
      items.add(DraftItem.of(key, exercise, dose));
      return draft.withItems(items);
    }
  }

  record Remove(String key) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return draft.withItems(draft.items().stream().filter(i -> !i.key().equals(key)).toList());
    }
  }

  /**
   * To another place in the list.
   *
   * @param to index from 0, cut to the list
   */
  record Move(String key, int to) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      List<DraftItem> items = new ArrayList<>(draft.items());
      int from = draft.indexOf(key);
      if (from < 0) return draft;
      DraftItem item = items.remove(from);
      items.add(Math.max(0, Math.min(items.size(), to)), item);
      return draft.withItems(items);
    }
  }

  /** The dose as typed. */
  record SetDose(String key, String dose) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.withDose(dose));
    }
  }

  record SetPosition(String key, Position position) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.withPosition(position));
    }
  }

  record SetTitle(String title) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return new Draft(title, draft.items());
    }
  }

  private static Draft change(Draft draft, String key, UnaryOperator<DraftItem> change) {
    return draft.withItems(
        draft.items().stream().map(i -> i.key().equals(key) ? change.apply(i) : i).toList());
  }
}
