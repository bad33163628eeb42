package org.biokinet.core.program;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.Item.Priority;

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
  @JsonSubTypes.Type(value = DraftEdit.SetNote.class, name = "note"),
  @JsonSubTypes.Type(value = DraftEdit.SetOrder.class, name = "order"),
  @JsonSubTypes.Type(value = DraftEdit.SetItemLead.class, name = "item-lead"),
  @JsonSubTypes.Type(value = DraftEdit.SetLead.class, name = "lead"),
  @JsonSubTypes.Type(value = DraftEdit.SetPriority.class, name = "priority"),
  @JsonSubTypes.Type(value = DraftEdit.Arrange.class, name = "arrange"),
  @JsonSubTypes.Type(value = DraftEdit.Suggest.class, name = "suggest"),
  @JsonSubTypes.Type(value = DraftEdit.Keep.class, name = "keep"),
  @JsonSubTypes.Type(value = DraftEdit.Replace.class, name = "replace"),
  @JsonSubTypes.Type(value = DraftEdit.SetTarget.class, name = "target"),
  @JsonSubTypes.Type(value = DraftEdit.SetWeeks.class, name = "weeks"),
  @JsonSubTypes.Type(value = DraftEdit.SetCourse.class, name = "course"),
  @JsonSubTypes.Type(value = DraftEdit.SetDays.class, name = "days"),
  @JsonSubTypes.Type(value = DraftEdit.SetBreath.class, name = "breath"),
  @JsonSubTypes.Type(value = DraftEdit.Duplicate.class, name = "duplicate"),
  @JsonSubTypes.Type(value = DraftEdit.MoveAll.class, name = "move-all"),
  @JsonSubTypes.Type(value = DraftEdit.RemoveAll.class, name = "remove-all"),
  @JsonSubTypes.Type(value = DraftEdit.Insert.class, name = "insert"),
  @JsonSubTypes.Type(value = DraftEdit.Review.class, name = "review"),
})
public sealed interface DraftEdit {

  Draft apply(Draft draft);

  /**
   * A new item.
   *
   * @param at index from 0; at the end of the list when empty
   * @param position its usual one when empty
   */
  record Add(
      String key, String exercise, String dose, Optional<Integer> at, Optional<Position> position)
      implements DraftEdit {
    public Add(String key, String exercise, String dose) {
      this(key, exercise, dose, Optional.empty(), Optional.empty());
    }

    @Override
    public Draft apply(Draft draft) {
      List<DraftItem> items = new ArrayList<>(draft.items());
      int index = at.filter(i -> i >= 0 && i <= items.size()).orElse(items.size());
      DraftItem item = DraftItem.of(key, exercise, dose);
      items.add(index, position.map(item::withPosition).orElse(item));
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
      return new Draft(
          title,
          draft.lead(),
          draft.note(),
          draft.items(),
          draft.course(),
          draft.days(),
          draft.breath());
    }
  }

  /** A word to the client that goes with the version; none when empty. */
  record SetNote(Optional<String> note) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return new Draft(
          draft.title(),
          draft.lead(),
          note,
          draft.items(),
          draft.course(),
          draft.days(),
          draft.breath());
    }
  }

  /** Sides in turn or one first; the exercise's usual when empty. */
  record SetOrder(String key, Optional<Order> order) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.withOrder(order));
    }
  }

  /** The side that goes first in this item; the session's when empty. */
  record SetItemLead(String key, Optional<Side> lead) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.withLead(lead));
    }
  }

  /** The side that goes first in every session; they take turns when empty. */
  record SetLead(Optional<Side> lead) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return new Draft(
          draft.title(),
          lead,
          draft.note(),
          draft.items(),
          draft.course(),
          draft.days(),
          draft.breath());
    }
  }

  record SetPriority(String key, Priority priority) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.withPriority(priority));
    }
  }

  /** All of it by another: an older version is taken back. */
  record Replace(Draft by) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return by;
    }
  }

  /** All items in this order; those not named stay behind them. */
  record Arrange(List<String> keys) implements DraftEdit {
    public Arrange {
      keys = List.copyOf(keys);
    }

    @Override
    public Draft apply(Draft draft) {
      List<DraftItem> items = new ArrayList<>(draft.items());
      items.sort(
          Comparator.comparingInt(
              i -> keys.contains(i.key()) ? keys.indexOf(i.key()) : keys.size()));
      return draft.withItems(items);
    }
  }

  /** A whole list that was suggested, with what stays of the one before. */
  record Suggest(List<DraftItem> items) implements DraftEdit {
    public Suggest {
      items = List.copyOf(items);
    }

    @Override
    public Draft apply(Draft draft) {
      return draft.withItems(items);
    }
  }

  /** Keeps an item whatever else is suggested, or gives it free for that. */
  record Keep(String key, boolean kept) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.suggested(!kept));
    }
  }

  /** Where the ladder ends, as typed; where the catalogue has it when empty. */
  record SetTarget(String key, Optional<String> target) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.withTarget(target));
    }
  }

  /** How an item goes through the weeks. */
  record SetWeeks(String key, Weeks weeks) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return change(draft, key, i -> i.withWeeks(weeks));
    }
  }

  /** Reviews and phases. */
  record SetCourse(Course course) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return new Draft(
          draft.title(),
          draft.lead(),
          draft.note(),
          draft.items(),
          Optional.of(course),
          draft.days(),
          draft.breath());
    }
  }

  /** For how many days a flare plan is followed. */
  record SetDays(int days) implements DraftEdit {
    public SetDays {
      if (days < 1 || days > Draft.MOST_DAYS) throw new IllegalArgumentException("days " + days);
    }

    @Override
    public Draft apply(Draft draft) {
      return new Draft(
          draft.title(),
          draft.lead(),
          draft.note(),
          draft.items(),
          draft.course(),
          Optional.of(days),
          draft.breath());
    }
  }

  /** One breath of the client, in seconds. */
  record SetBreath(double seconds) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      return new Draft(
          draft.title(),
          draft.lead(),
          draft.note(),
          draft.items(),
          draft.course(),
          draft.days(),
          Optional.of(seconds));
    }
  }

  /** The same item once more, behind it. */
  record Duplicate(String key, String as) implements DraftEdit {
    @Override
    public Draft apply(Draft draft) {
      int place = draft.indexOf(key);
      if (place < 0) return draft;
      List<DraftItem> items = new ArrayList<>(draft.items());
      items.add(place + 1, items.get(place).keyed(as).suggested(false));
      return draft.withItems(items);
    }
  }

  /**
   * Several items together to another place, in the order that they have.
   *
   * @param to how many of the others come before them, cut to the list
   */
  record MoveAll(List<String> keys, int to) implements DraftEdit {
    public MoveAll {
      keys = List.copyOf(keys);
    }

    @Override
    public Draft apply(Draft draft) {
      List<DraftItem> moved = draft.items().stream().filter(i -> keys.contains(i.key())).toList();
      List<DraftItem> items = new ArrayList<>(draft.items());
      items.removeAll(moved);
      items.addAll(Math.max(0, Math.min(items.size(), to)), moved);
      return draft.withItems(items);
    }
  }

  record RemoveAll(List<String> keys) implements DraftEdit {
    public RemoveAll {
      keys = List.copyOf(keys);
    }

    @Override
    public Draft apply(Draft draft) {
      return draft.withItems(draft.items().stream().filter(i -> !keys.contains(i.key())).toList());
    }
  }

  /** Items from elsewhere, behind what there is. */
  record Insert(List<DraftItem> items) implements DraftEdit {
    public Insert {
      items = List.copyOf(items);
    }

    @Override
    public Draft apply(Draft draft) {
      List<DraftItem> all = new ArrayList<>(draft.items());
      all.addAll(items);
      return draft.withItems(all);
    }
  }

  /**
   * What was decided at a review.
   *
   * @param doses by key, of the items that change
   * @param out keys of those that are left out
   * @param note to the client, which goes with the version; what there was stays where it is empty
   */
  record Review(Map<String, String> doses, List<String> out, Optional<String> note)
      implements DraftEdit {
    public Review {
      doses = Map.copyOf(doses);
      out = List.copyOf(out);
    }

    @Override
    public Draft apply(Draft draft) {
      List<DraftItem> items =
          draft.items().stream()
              .filter(i -> !out.contains(i.key()))
              .map(i -> doses.containsKey(i.key()) ? i.withDose(doses.get(i.key())) : i)
              .toList();
      Draft dosed = draft.withItems(items);
      return note.isEmpty() ? dosed : new SetNote(note).apply(dosed);
    }
  }

  private static Draft change(Draft draft, String key, UnaryOperator<DraftItem> change) {
    return draft.withItems(
        draft.items().stream().map(i -> i.key().equals(key) ? change.apply(i) : i).toList());
  }
}
