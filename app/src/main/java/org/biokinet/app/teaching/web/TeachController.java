package org.biokinet.app.teaching.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.practice.Me;
import org.biokinet.app.teaching.Lesson;
import org.biokinet.app.teaching.Mark;
import org.biokinet.app.teaching.TeachingService;
import org.biokinet.core.program.ProgramKind;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** With the client in the room, step by step, at their pace. */
@Controller
@RequestMapping("/clients/{id}/teach")
class TeachController {

  /**
   * A mistake that can be said in the player.
   *
   * @param key names the step and the mistake
   */
  record Said(String key, String exercise, String fault, boolean chosen) {}

  private final TeachingService teaching;
  private final ClientService clients;
  private final ClientHeader header;
  private final Audit audit;

  TeachController(
      TeachingService teaching, ClientService clients, ClientHeader header, Audit audit) {
    this.teaching = teaching;
    this.clients = clients;
    this.header = header;
    this.audit = audit;
  }

  @GetMapping
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "0") int step,
      Model model) {
    header.show(me, id, Station.DO, model);
    show(me, id, program, step, model);
    return "teaching/teach";
  }

  /** One step of it; changes nothing. */
  @GetMapping("/step")
  String step(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int step,
      Model model) {
    show(me, id, program, step, model);
    audit.sawPart(me, id, "teaching");
    return "teaching/teach-parts :: step";
  }

  @PostMapping("/mark")
  String mark(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int step,
      @RequestParam Mark.Kind mark,
      @RequestParam(defaultValue = "0") int fault,
      Model model) {
    teaching.mark(me, id, program, new Mark(step, mark, fault));
    show(me, id, program, step, model);
    return "teaching/teach-parts :: step";
  }

  private void show(Me me, UUID id, ProgramKind program, int step, Model model) {
    Client client = clients.get(me, id);
    model.addAttribute("client", client);
    model.addAttribute("program", program);
    TeachingService.Answer answer = teaching.lesson(me, id, program);
    if (answer instanceof TeachingService.Answer.Not not) {
      model.addAttribute("refused", not.why());
      return;
    }
    TeachingService.Answer.Ready ready = (TeachingService.Answer.Ready) answer;
    List<Lesson.Step> steps = ready.lesson().steps();
    int at = Math.max(0, Math.min(step, steps.size() - 1));
    model.addAttribute("at", at);
    model.addAttribute("steps", steps);
    model.addAttribute("now", steps.get(at));
    List<Mark> marks = ready.marks();
    model.addAttribute("well", has(marks, at, Mark.Kind.WELL));
    model.addAttribute("tooMuch", has(marks, at, Mark.Kind.TOO_MUCH));
    Set<Integer> seen = new TreeSet<>();
    marks.stream()
        .filter(m -> m.step() == at && m.kind() == Mark.Kind.FAULT)
        .forEach(m -> seen.add(m.fault()));
    model.addAttribute("seen", seen);
    Set<Integer> marked = new TreeSet<>();
    marks.forEach(m -> marked.add(m.step()));
    model.addAttribute("marked", marked);
  }

  private static boolean has(List<Mark> marks, int step, Mark.Kind kind) {
    return marks.stream().anyMatch(m -> m.step() == step && m.kind() == kind);
  }

  /** The note that comes of it, to be gone over. */
  @GetMapping("/note")
  String note(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      Model model) {
    header.show(me, id, Station.DO, model);
    show(me, id, program, 0, model);
    if (teaching.lesson(me, id, program) instanceof TeachingService.Answer.Ready ready) {
      model.addAttribute("note", TeachingService.draft(ready.lesson(), ready.marks()));
      model.addAttribute("said", said(id, ready));
    }
    return "teaching/note";
  }

  /** Once for each exercise: what was seen now, or is said already. */
  private List<Said> said(UUID id, TeachingService.Answer.Ready ready) {
    Map<String, Set<String>> usual = teaching.usual(id);
    List<Said> said = new ArrayList<>();
    Set<String> listed = new HashSet<>();
    List<Lesson.Step> steps = ready.lesson().steps();
    for (int step = 0; step < steps.size(); step++) {
      Lesson.Step s = steps.get(step);
      for (int n = 0; n < s.faults().size(); n++) {
        Mark seen = new Mark(step, Mark.Kind.FAULT, n);
        boolean now = ready.marks().contains(seen);
        boolean before = usual.getOrDefault(s.exercise(), Set.of()).contains(s.entry().get(n));
        if ((now || before) && listed.add(s.exercise() + n)) {
          said.add(new Said("%d-%d".formatted(step, n), s.name(), s.faults().get(n), true));
        }
      }
    }
    return said;
  }

  @PostMapping("/note")
  String keep(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") String note,
      @RequestParam(defaultValue = "") List<String> said,
      Model model,
      HttpServletResponse response) {
    String words = note.strip();
    if (words.isEmpty() || words.length() > TeachingService.LONGEST_NOTE) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      String page = note(me, id, program, model);
      model.addAttribute("note", note);
      model.addAttribute(
          "wrong",
          words.isEmpty()
              ? "Write a word about it."
              : "At most %d characters.".formatted(TeachingService.LONGEST_NOTE));
      return page;
    }
    if (teaching.lesson(me, id, program) instanceof TeachingService.Answer.Ready ready) {
      teaching.keep(me, id, program, words, chosen(ready.lesson(), said));
    }
    return "redirect:/clients/" + id + "/do?taught";
  }

  private static Map<String, Set<String>> chosen(Lesson lesson, List<String> keys) {
    Map<String, Set<String>> chosen = new HashMap<>();
    List<Lesson.Step> steps = lesson.steps();
    for (int step = 0; step < steps.size(); step++) {
      Lesson.Step s = steps.get(step);
      for (int n = 0; n < s.entry().size(); n++) {
        if (keys.contains("%d-%d".formatted(step, n))) {
          chosen.computeIfAbsent(s.exercise(), x -> new HashSet<>()).add(s.entry().get(n));
        }
      }
    }
    return chosen;
  }
}
