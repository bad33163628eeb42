package org.biokinet.app.worklist;

import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells open lists that somebody of their practice has moved, and nothing of whom: what may be seen
 * is asked for anew. What another process has changed is found by asking now and then.
 */
@Component
public class Moves {

  /** What comes in together is told together; well within the second that a list may take. */
  private static final Duration TOGETHER = Duration.ofMillis(250);

  /** So often a line is sent that says nothing: pages that have gone are found, others kept. */
  private static final long BEAT_MILLIS = 40_000;

  private static final long NO_END = 0;

  private final Map<UUID, Set<SseEmitter>> open = new ConcurrentHashMap<>();
  private final Set<UUID> toTell = ConcurrentHashMap.newKeySet();
  private final TaskScheduler scheduler;

  Moves(TaskScheduler scheduler) {
    this.scheduler = scheduler;
  }

  public SseEmitter of(UUID practiceId) {
    SseEmitter emitter = new SseEmitter(NO_END);
    Runnable gone = () -> gone(practiceId, emitter);
    emitter.onCompletion(gone);
    emitter.onError(x -> gone.run());
    open.compute(
        practiceId,
        (id, those) -> {
          Set<SseEmitter> all = those == null ? ConcurrentHashMap.newKeySet() : those;
          all.add(emitter);
          return all;
        });
    send(emitter, SseEmitter.event().comment("").build(), gone); // the page knows that it is open
    return emitter;
  }

  private void gone(UUID practiceId, SseEmitter emitter) {
    open.computeIfPresent(
        practiceId,
        (id, those) -> {
          those.remove(emitter);
          return those.isEmpty() ? null : those;
        });
  }

  @TransactionalEventListener
  void moved(StandingMoved event) {
    if (!open.containsKey(event.practiceId()) || !toTell.add(event.practiceId())) return;
    var unused =
        scheduler.schedule(
            () -> tell(event.practiceId()), scheduler.getClock().instant().plus(TOGETHER));
  }

  private void tell(UUID practiceId) {
    toTell.remove(practiceId);
    send(practiceId, SseEmitter.event().name("moved").data(""));
  }

  @Scheduled(fixedDelay = BEAT_MILLIS, initialDelay = BEAT_MILLIS)
  void beat() {
    open.keySet().forEach(practice -> send(practice, SseEmitter.event().comment("")));
  }

  private void send(UUID practiceId, SseEmitter.SseEventBuilder what) {
    Set<ResponseBodyEmitter.DataWithMediaType> data = what.build();
    for (SseEmitter emitter : open.getOrDefault(practiceId, Set.of())) {
      send(emitter, data, () -> gone(practiceId, emitter));
    }
  }

  private static void send(
      SseEmitter emitter, Set<ResponseBodyEmitter.DataWithMediaType> data, Runnable gone) {
    try {
      emitter.send(data);
    } catch (IOException | IllegalStateException e) {
      gone.run(); // the page has gone
    }
  }

  /** Nobody waits for a server that is being stopped. */
  @EventListener
  void closed(ContextClosedEvent event) {
    open.values().forEach(those -> those.forEach(SseEmitter::complete));
  }
}
