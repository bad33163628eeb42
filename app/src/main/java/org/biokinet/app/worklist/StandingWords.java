package org.biokinet.app.worklist;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import org.biokinet.app.client.Matter;
import org.biokinet.app.client.Station;
import org.biokinet.app.platform.Cut;
import org.biokinet.app.platform.Days;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.SideShare;
import org.biokinet.core.screening.Gate;
import org.springframework.util.StringUtils;

/**
 * Why a client is where they are on the list, in words, and the station where it is dealt with.
 *
 * @param word the state in one word or two
 * @param next where to go on
 */
public record StandingWords(String word, String reason, Station next) {

  /** Two lines of the list; all of it stands in Do. */
  private static final int LONGEST_NOTE = 120;

  /**
   * @param zone the client's
   */
  public static StandingWords of(Standing s, String phone, Instant now, ZoneId zone) {
    return new Saying(s, phone, now, zone).words();
  }

  /** The state alone, where nothing more is known of it. */
  public static String word(Attention attention) {
    return switch (attention) {
      case STOPPED -> "Stopped";
      case EMERGENCY -> "Emergency signs";
      case WHILE_CLOSED -> "Done while closed";
      case EXAMINE -> "Examine first";
      case MAP_ASKS -> "Ask for the signs";
      case PAIN_TOO_HIGH -> "Too sore to start";
      case FLARE_EXAMINE -> "Examine the flare";
      case FLARE -> "Flare";
      case PAIN_ROSE -> "Pain rose";
      case NEW_SYMPTOM -> "New on the map";
      case RE_EXAMINE -> "Examine again";
      case WORSE -> "Wants easing";
      case BY_ITSELF -> "By itself";
      case SCREEN -> "Screen";
      case RETURNED -> "Back, on less";
      case QUIET -> "Gone quiet";
      case ONE_SIDE -> "One side behind";
      case MESSAGE -> "Message";
      case NEW_PIN -> "New PIN wanted";
      case READY -> "Ready to go on";
      case REVIEW_DUE -> "Review due";
      case SCREEN_SOON -> "Screening due";
      case DESK_SILENT -> "Desk silent";
      case DRAFT_NOT_SHARED -> "Draft not shared";
      case NO_PROGRAM -> "No program";
      case NOT_OPENED -> "Not opened";
      case NOT_STARTED -> "Not started";
      case AWAY -> "Away";
      case STEADY -> "Steady";
    };
  }

  private record Saying(Standing s, String phone, Instant now, ZoneId zone) {

    StandingWords words() {
      StandingWords now = withTheCall(asItStands());
      return s.later()
          .map(
              l ->
                  new StandingWords(
                      now.word(),
                      "Later, on %s: %s".formatted(Days.day(l.until(), zone), l.reason()),
                      now.next()))
          .orElse(now);
    }

    /** Of a stop it says itself that its outcome is open. */
    private StandingWords withTheCall(StandingWords words) {
      if (s.attention() == Attention.STOPPED || s.called().isEmpty()) return words;
      Standing.Called call = s.called().get();
      String note = Cut.to(LONGEST_NOTE, call.note());
      String reason = "%s Called %s. %s".formatted(words.reason(), when(call.at()), note);
      return new StandingWords(words.word(), reason, words.next());
    }

    private StandingWords asItStands() {
      return switch (s.attention()) {
        case STOPPED -> {
          Matter e = waiting();
          String called =
              s.called()
                  .map(c -> "Called %s; the outcome is open.".formatted(when(c.at())))
                  .orElse(phone.isEmpty() ? "" : "Call " + phone + ".");
          String reason = "%s %s. %s".formatted(e.detail(), when(e.at()), called).strip();
          yield plainly(reason, Station.DO);
        }
        case EMERGENCY ->
            plainly(
                "Answered in the screening; call%s, and record the medical outcome."
                    .formatted(phone.isEmpty() ? "" : " " + phone),
                Station.SCREEN);
        case WHILE_CLOSED -> {
          Matter e = waiting();
          String reason = "A session came in %s although %s.".formatted(when(e.at()), e.detail());
          yield plainly(reason, Station.DO);
        }
        case EXAMINE -> plainly("Record what you examined and found.", Station.SCREEN);
        case SCREEN -> {
          Gate.Why why = s.closed().orElseThrow();
          String word =
              why.label().substring(0, 1).toUpperCase(Locale.ROOT) + why.label().substring(1);
          yield new StandingWords(word, why.opens(), Station.SCREEN);
        }
        case REVIEW_DUE ->
            plainly("Since %s.".formatted(Days.day(s.since(), zone)), Station.REVIEW);
        case SCREEN_SOON ->
            plainly(
                "The screening holds until %s; the client is asked too."
                    .formatted(Days.day(s.gateUntil().orElseThrow())),
                Station.SCREEN);
        case NEW_PIN ->
            plainly(
                "The client has forgotten the PIN %s."
                    .formatted(when(s.pinForgotten().orElseThrow())),
                Station.DO);
        case MAP_ASKS -> {
          Matter e = waiting();
          String reason =
              "Marked on the body map %s: %s. Ask for the signs."
                  .formatted(when(e.at()), e.detail());
          yield plainly(reason, Station.DO);
        }
        case PAIN_TOO_HIGH -> {
          Matter e = waiting();
          String reason = "Not started, %s, %s.".formatted(e.detail(), when(e.at()));
          yield plainly(reason, Station.DO);
        }
        case FLARE_EXAMINE -> {
          String reason =
              s.open(s.attention())
                  .map(m -> "%s, %s".formatted(StringUtils.capitalize(m.detail()), when(m.at())))
                  .orElse("It has lasted 72 hours");
          yield plainly(reason + ".", Station.DO);
        }
        case FLARE -> {
          Standing.Flaring f = s.flare().orElseThrow();
          String reason =
              "Begun %s; the flare plan holds until %s."
                  .formatted(when(f.begun()), Days.day(f.until(), zone));
          yield plainly(reason, Station.DO);
        }
        case AWAY -> {
          Standing.Away a = s.away().orElseThrow();
          yield new StandingWords(
              StringUtils.capitalize(a.kind().words()),
              "Until %s; nothing is missed.".formatted(Days.day(a.last())),
              Station.DO);
        }
        case PAIN_ROSE -> {
          Standing.Last last = s.last().orElseThrow();
          String reason =
              "Pain %d before, up to %d in the session, %s."
                  .formatted(
                      last.painBefore().orElseThrow(),
                      last.highestPain().orElseThrow(),
                      when(last.at()));
          yield plainly(reason, Station.REVIEW);
        }
        case BY_ITSELF -> {
          Matter e = waiting();
          yield plainly(
              "%s, %s.".formatted(StringUtils.capitalize(e.detail()), when(e.at())),
              Station.REVIEW);
        }
        case NEW_SYMPTOM -> {
          Matter e = waiting();
          String reason = "Marked %s: %s.".formatted(when(e.at()), e.detail());
          yield plainly(reason, Station.DO);
        }
        case RE_EXAMINE ->
            plainly("A second time within four weeks: %s.".formatted(suggested()), Station.REVIEW);
        case WORSE ->
            plainly(
                "%s: %s."
                    .formatted(
                        StringUtils.capitalize(suggested()), s.suggested().orElseThrow().why()),
                Station.REVIEW);
        case READY -> plainly(StringUtils.capitalize(suggested()) + ".", Station.REVIEW);
        case RETURNED ->
            plainly(
                "%s, until you have looked."
                    .formatted(StringUtils.capitalize(s.smaller().orElseThrow().words())),
                Station.REVIEW);
        case ONE_SIDE -> {
          SideShare share = s.share().orElseThrow();
          yield plainly(
              "Of the last days %d %% is done on the left, %d %% on the right."
                  .formatted(share.left(), share.right()),
              Station.REVIEW);
        }
        case DESK_SILENT ->
            plainly(
                "No break at the desk since %s.".formatted(Days.day(s.desk().orElseThrow(), zone)),
                Station.DO);
        case QUIET -> {
          LocalDate day = s.last().orElseThrow().at().atZone(zone).toLocalDate();
          long days = ChronoUnit.DAYS.between(day, now.atZone(zone).toLocalDate());
          String reason = "No session for %d days.".formatted(days);
          yield plainly(reason, Station.REVIEW);
        }
        case MESSAGE -> {
          Matter e = waiting();
          String reason = "“%s” %s".formatted(e.detail(), when(e.at()));
          yield plainly(reason, Station.REVIEW);
        }
        case DRAFT_NOT_SHARED -> {
          String reason =
              "%s is a draft, still with you."
                  .formatted(StringUtils.capitalize(s.draft().orElseThrow().inFull()));
          yield plainly(reason, Station.PLAN);
        }
        case NO_PROGRAM -> plainly("Nothing prescribed yet.", Station.PLAN);
        case NOT_OPENED -> {
          String reason =
              s.linkMade()
                  .map(at -> "Link made " + ago(at) + ", not opened.")
                  .orElse("Shared, but no link was made.");
          yield plainly(reason, Station.DO);
        }
        case NOT_STARTED -> {
          Standing.Shared shared = s.shared().orElseThrow();
          String reason =
              "%s shared %s, no session yet."
                  .formatted(StringUtils.capitalize(shared.version().inFull()), ago(shared.at()));
          yield plainly(reason, Station.DO);
        }
        case STEADY -> {
          String reason =
              s.last().map(x -> "Last session " + when(x.at()) + ".").orElse("Nothing to do.");
          yield plainly(reason, Station.REVIEW);
        }
      };
    }

    private StandingWords plainly(String reason, Station next) {
      return new StandingWords(word(s.attention()), reason, next);
    }

    /** "Upper trapezius stretch (left) and 2 more". */
    private String suggested() {
      Standing.Suggested x = s.suggested().orElseThrow();
      return x.others() == 0 ? x.what() : "%s and %d more".formatted(x.what(), x.others());
    }

    /** What waits under the name of this attention. */
    private Matter waiting() {
      Attention as = s.attention();
      return s.open(as).orElseThrow();
    }

    private String when(Instant at) {
      return Days.when(at, now, zone);
    }

    private String ago(Instant at) {
      return Days.ago(at, now, zone);
    }
  }
}
