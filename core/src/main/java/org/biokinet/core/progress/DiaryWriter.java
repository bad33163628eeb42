package org.biokinet.core.progress;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Collection;
import java.util.List;
import java.util.function.Function;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.ScreeningDocument;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;

/**
 * Writes a diary as a {@link DiaryDocument}. What is read back is decided on alike; who told what
 * by what device, and what was said in words, is not in it.
 */
public final class DiaryWriter {

  private static final ObjectMapper JSON = JsonMapper.builder().build();

  private final ObjectNode root = JSON.createObjectNode();

  private DiaryWriter() {}

  public static String write(Diary diary) {
    return new DiaryWriter().of(diary).toString();
  }

  /** The same over many lines, for people. */
  public static String pretty(String document) {
    try {
      return JSON.readTree(document).toPrettyString();
    } catch (JsonProcessingException e) {
      throw new IllegalArgumentException("not JSON", e);
    }
  }

  private ObjectNode of(Diary diary) {
    root.put("format", DiaryDocument.FORMAT).put("version", DiaryDocument.VERSION);
    root.put("now", diary.now().toString()).put("zone", diary.zone().getId());
    root.put("policy", diary.policy().code()).put("pace", diary.pace().code());
    diary.keptUp().ifPresent(at -> root.put("keptUp", at.toString()));
    ObjectNode thresholds = root.putObject("thresholds");
    diary.thresholds().changes().forEach((t, value) -> thresholds.put(t.code(), value));
    diary.allowed().ifPresent(this::allowed);
    texts("painful", diary.painful(), DiaryDocument::code);
    ArrayNode versions = root.putArray("versions");
    for (Diary.Version v : diary.versions()) {
      versions
          .addObject()
          .put("number", v.number())
          .put("sharedAt", v.sharedAt().toString())
          .set("program", ProgramDocument.node(v.program()));
    }
    ArrayNode sessions = root.putArray("sessions");
    diary.sessions().forEach(s -> session(sessions.addObject(), s));
    told(diary);
    texts("asymmetric", diary.asymmetric(), Part::text);
    measures(diary.measures());
    items("before", diary.before());
    items("beside", diary.beside());
    return root;
  }

  private void allowed(Allowed allowed) {
    root.set("screening", ScreeningDocument.write(allowed.assessment()));
    root.put("breathSeconds", allowed.breathSeconds());
    texts("positions", allowed.means().positions(), Coded::code);
    texts("equipment", allowed.means().equipment(), Coded::code);
  }

  private <T> void texts(String key, Collection<T> values, Function<T, String> text) {
    ArrayNode array = root.putArray(key);
    values.stream().map(text).sorted().forEach(array::add);
  }

  private static void session(ObjectNode node, Session s) {
    node.put("of", s.program().code()).put("version", s.version());
    node.put("startedAt", s.startedAt().toString()).put("day", s.day().toString());
    node.put("ended", DiaryDocument.code(s.ended()));
    node.put("seconds", s.secondsDone()).put("planned", s.secondsPlanned());
    ArrayNode parts = node.putArray("parts");
    for (Performance.Part p : s.parts()) {
      parts
          .addObject()
          .put("part", new ItemSide(p.item(), p.side()).text())
          .put("seconds", p.seconds())
          .put("of", p.plannedSeconds())
          .put("stretch", p.stretchSeconds())
          .put("reps", p.reps())
          .put("ofReps", p.plannedReps());
    }
    s.painBefore().ifPresent(pain -> node.put("painBefore", pain));
    s.highestPain().ifPresent(pain -> node.put("highestPain", pain));
    s.checkIn().flatMap(CheckIn::stretchFelt).ifPresent(felt -> node.put("stretchFelt", felt));
    s.checkIn()
        .map(CheckIn::provoked)
        .filter(provoked -> !provoked.isEmpty())
        .ifPresent(provoked -> places(node, "provoked", provoked));
    // That it is there says that something was told.
    if (s.checkIn().isPresent() || !s.tooStrong().isEmpty()) {
      places(node, "tooStrong", s.tooStrong());
    }
    s.settled().ifPresent(settled -> node.put("settled", settled.settled()));
  }

  private static void places(ObjectNode node, String key, Collection<ItemSide> places) {
    ArrayNode array = node.putArray(key);
    places.stream().map(ItemSide::text).sorted().forEach(array::add);
  }

  private void told(Diary diary) {
    ArrayNode mornings = root.putArray("mornings");
    for (Diary.MorningTold m : diary.mornings()) {
      Morning told = m.morning();
      ObjectNode node = mornings.addObject().put("at", m.at().toString());
      node.put("day", told.day().toString());
      told.pain().ifPresent(pain -> node.put("pain", pain));
      told.woken().ifPresent(woken -> node.put("woken", woken));
    }
    ArrayNode refused = root.putArray("refused");
    diary
        .refused()
        .forEach(r -> refused.addObject().put("at", r.at().toString()).put("pain", r.pain()));
    ArrayNode signs = root.putArray("signs");
    for (Diary.Sign s : diary.signs()) {
      signs
          .addObject()
          .put("at", s.at().toString())
          .put("kind", DiaryDocument.code(s.kind()))
          .put("examined", s.examined());
    }
    ArrayNode pauses = root.putArray("pauses");
    for (Pause p : diary.pauses()) {
      ObjectNode node = pauses.addObject().put("kind", DiaryDocument.code(p.kind()));
      node.put("from", p.from().toString()).put("until", p.until().toString());
      p.ended().ifPresent(day -> node.put("ended", day.toString()));
    }
    ArrayNode flares = root.putArray("flares");
    for (Flare f : diary.flares()) {
      ObjectNode node = flares.addObject().put("begun", f.begun().toString());
      node.put("days", f.days());
      f.ended().ifPresent(at -> node.put("ended", at.toString()));
      f.before().ifPresent(at -> node.put("before", at.toString()));
    }
    ArrayNode decided = root.putArray("decided");
    for (Diary.Decided d : diary.decided()) {
      decided
          .addObject()
          .put("at", d.at().toString())
          .put("part", d.part().text())
          .put("outcome", DiaryDocument.code(d.outcome()))
          .put("atTarget", d.atTarget());
    }
  }

  private void measures(Diary.Measures m) {
    ObjectNode node = root.putObject("measures");
    node.put("goalsMet", m.goalsMet()).put("ndiBetter", m.ndiBetter());
    m.ndi().ifPresent(ndi -> node.put("ndi", ndi));
    node.put("beyondError", m.beyondError());
  }

  /** As a program that nobody plays. */
  private void items(String key, List<Item> items) {
    if (items.isEmpty()) return;
    root.set(
        key,
        ProgramDocument.node(
            new Program(key, Pacing.DEFAULT_BREATH_SECONDS, Pacing.DEFAULT, items)));
  }
}
