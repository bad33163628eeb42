package org.biokinet.app.review;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.app.library.Library;
import org.biokinet.app.platform.Cut;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Agreed;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.Maintenance;
import org.biokinet.core.progress.Part;
import org.biokinet.core.progress.Review;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Says to a client what a review has changed and why, for the practitioner to put it better. */
@Component
class NoteWords {

  /** What was decided, as a client sees it. */
  private enum Way {
    /** Nothing is different. */
    STAYS("stays"),
    MORE("more"),
    LESS("less"),
    SELDOM("seldom"),
    AGAIN("again"),
    OUT("out");

    private final String code;

    Way(String code) {
      this.code = code;
    }

    static Way of(Agreed a, Program program) {
      if (!a.changes()) return STAYS;
      if (a.dose().isEmpty()) return OUT;
      return switch (a.outcome(program)) {
        case GO_ON -> MORE;
        case RE_ENTER, RETURN -> AGAIN;
        case MAINTAIN -> SELDOM;
        case STOP, FLARE_PLAN, EASE, STAY, HOLD -> LESS;
      };
    }
  }

  private final MessageSource messages;

  NoteWords(MessageSource messages) {
    this.messages = messages;
  }

  /**
   * No longer than a version has room for.
   *
   * @param whole what is followed of what was suggested for the program as a whole
   */
  String of(ReviewService.Open open, Optional<Review.Whole> whole) {
    Map<Way, Map<String, List<Part>>> all = new LinkedHashMap<>();
    for (Agreed a : open.agreed()) {
      Part part = a.suggested().part();
      int place = part.place(open.program()).orElseThrow();
      all.computeIfAbsent(Way.of(a, open.program()), w -> new LinkedHashMap<>())
          .computeIfAbsent(open.kept().now().name(place, Library.LANGUAGE), n -> new ArrayList<>())
          .add(part);
    }
    List<String> sentences = new ArrayList<>();
    for (Way way : List.of(Way.MORE, Way.AGAIN, Way.LESS, Way.SELDOM, Way.OUT)) {
      // All of it being kept up says that already.
      if (way == Way.SELDOM && whole.isPresent()) continue;
      if (all.containsKey(way)) sentences.add(say(way.code, named(all.get(way))));
    }
    whole.ifPresent(w -> sentences.add(say(w, open.kept().diary())));
    if (sentences.isEmpty()) return "";
    if (whole.isEmpty() && all.containsKey(Way.STAYS)) sentences.add(say(Way.STAYS.code, ""));
    return Cut.to(Draft.LONGEST_NOTE, String.join(" ", sentences));
  }

  /**
   * The same of what came about by itself.
   *
   * @param by who has allowed it
   */
  String byItself(ReviewService.Open open, String by) {
    String changed = of(open, Optional.empty());
    String way = changed.isEmpty() ? "itself-stays" : "itself";
    return Cut.to(Draft.LONGEST_NOTE, (changed + " " + say(way, by)).strip());
  }

  /** What the client reads where somebody has looked at that and shared again what was before. */
  String takenBack(String by) {
    return say("taken-back", by);
  }

  private String named(Map<String, List<Part>> parts) {
    List<String> names = new ArrayList<>();
    parts.forEach(
        (name, sides) -> {
          Optional<Side> side = sides.get(0).side();
          names.add(
              sides.size() > 1 || side.isEmpty()
                  ? name
                  : "%s (%s)".formatted(name, side.get().label()));
        });
    return String.join("; ", names); // a name may have a comma
  }

  private String say(Review.Whole whole, Diary diary) {
    return say(whole.name(), Integer.toString(Maintenance.days(diary)));
  }

  private String say(String way, String names) {
    return messages.getMessage("review.note." + way, new Object[] {names}, Library.LANGUAGE);
  }
}
