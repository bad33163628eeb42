package org.biokinet.app.session.web;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.session.SelfCheck;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;

/** What is told between two sessions: whether it has settled, how the morning was. */
@Controller
@RequestMapping("/me")
class FollowUpController {

  private final FollowUpService followUps;
  private final PracticeService practices;
  private final Uploads uploads;
  private final Clock clock;

  FollowUpController(
      FollowUpService followUps, PracticeService practices, Uploads uploads, Clock clock) {
    this.followUps = followUps;
    this.practices = practices;
    this.uploads = uploads;
    this.clock = clock;
  }

  @PostMapping("/follow-ups")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void followUp(@AuthenticationPrincipal ClientMe me, @RequestBody JsonNode sent) {
    followUps.record(me, uploads.read(sent, FollowUpUpload.class));
  }

  /**
   * Of the session that Today asked about.
   *
   * @param toldAt when it was told, by a device that had no network then; the same below
   */
  @PostMapping("/settled")
  String settled(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam UUID id,
      @RequestParam UUID session,
      @RequestParam boolean settled,
      @RequestParam Optional<OffsetDateTime> toldAt) {
    followUps.recordForm(
        me, FollowUpUpload.settled(id, session, settled, toldAt.orElseGet(() -> now(me))));
    return "redirect:/me/today?told";
  }

  /**
   * How the morning was.
   *
   * @param pain 0–10; left out by whoever does not want to say
   */
  @PostMapping("/morning")
  String morning(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam UUID id,
      @RequestParam Optional<Integer> pain,
      @RequestParam Optional<Boolean> woken,
      @RequestParam Optional<OffsetDateTime> toldAt) {
    OffsetDateTime at = toldAt.orElseGet(() -> now(me));
    Integer told = pain.filter(TenPoint::valid).orElse(null);
    followUps.recordForm(
        me, FollowUpUpload.morning(id, at.toLocalDate(), told, woken.orElse(null), at));
    return "redirect:/me/today?told";
  }

  /** The joints, one after the other; whoever taps nothing on a row has told nothing of it. */
  @GetMapping("/self-check")
  String selfCheck(@AuthenticationPrincipal ClientMe me, Model model) {
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("joints", SelfCheck.Joint.values());
    model.addAttribute("sides", Side.values());
    model.addAttribute("felts", SelfCheck.Felt.values());
    model.addAttribute("id", UUID.randomUUID());
    return "session/self-check";
  }

  @PostMapping("/self-check")
  String selfChecked(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam UUID id,
      @RequestParam Optional<OffsetDateTime> toldAt,
      @RequestParam Map<String, String> form) {
    Map<String, SelfCheck.Felt> told = new TreeMap<>();
    for (SelfCheck.Joint joint : SelfCheck.Joint.values()) {
      for (Side side : Side.values()) {
        String part = new SelfCheck.Part(joint, side).text();
        Arrays.stream(SelfCheck.Felt.values())
            .filter(f -> f.name().equals(form.get(part)))
            .forEach(f -> told.put(part, f));
      }
    }
    OffsetDateTime at = toldAt.orElseGet(() -> now(me));
    followUps.recordForm(me, FollowUpUpload.selfCheck(id, at.toLocalDate(), told, at));
    return "redirect:/me/today?told";
  }

  private OffsetDateTime now(ClientMe me) {
    return clock.instant().atZone(me.zone()).toOffsetDateTime();
  }
}
