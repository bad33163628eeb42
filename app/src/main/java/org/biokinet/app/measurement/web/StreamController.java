package org.biokinet.app.measurement.web;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.atomic.AtomicReference;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.measurement.Instruments;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Inclinometer;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.RangeCapture;
import org.biokinet.core.measure.Readings;
import org.springframework.http.MediaType;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** An inclinometer's angles as they come, and the readings that the core takes off them. */
@RestController
class StreamController {

  /** A range is taken in less; after that the page asks again (our choice). */
  private static final long LONGEST_MILLIS = 120_000;

  private static final int USUAL_READINGS = 2;

  private final ClientService clients;
  private final Instruments instruments;
  private final TaskScheduler scheduler;
  private final Audit audit;
  private final Clock clock;

  StreamController(
      ClientService clients,
      Instruments instruments,
      TaskScheduler scheduler,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.instruments = instruments;
    this.scheduler = scheduler;
    this.audit = audit;
    this.clock = clock;
  }

  /** One instrument that is being read. */
  private static final class Stream implements Runnable {
    private final SseEmitter to;
    private final Inclinometer device;
    private final RangeCapture capture;
    private final Readings.Protocol protocol;
    private final List<Double> taken = new ArrayList<>();
    private final AtomicReference<ScheduledFuture<?>> beat = new AtomicReference<>();
    private long millis;
    private boolean lost;

    Stream(SseEmitter to, Inclinometer device, Motion motion, Readings.Protocol protocol) {
      this.to = to;
      this.device = device;
      this.capture = new RangeCapture(motion);
      this.protocol = protocol;
    }

    @Override
    public void run() {
      try {
        RangeCapture.Event event = capture.sample(millis, device.degrees(millis));
        millis += Inclinometer.EVERY_MILLIS;
        if (event instanceof RangeCapture.Event.Angle a) send("angle", a.degrees());
        if (event instanceof RangeCapture.Event.Taken t) take(t.degrees());
        boolean now = event instanceof RangeCapture.Event.Lost;
        if (now && !lost) to.send(SseEmitter.event().name("lost").data(""));
        lost = now;
      } catch (IOException | IllegalStateException e) {
        end(); // the page has gone
      }
    }

    private void take(double degrees) throws IOException {
      taken.add(Math.round(degrees * 10) / 10.0);
      send("taken", degrees);
      boolean enough =
          protocol == Readings.Protocol.USUAL
              ? taken.size() >= USUAL_READINGS
              : !(new Readings(protocol, taken).result() instanceof Readings.Result.More);
      if (enough) {
        to.send(SseEmitter.event().name("enough").data(""));
        to.complete();
        end();
      }
    }

    private void send(String name, double degrees) throws IOException {
      to.send(SseEmitter.event().name(name).data(String.format(Locale.ROOT, "%.1f", degrees)));
    }

    void end() {
      ScheduledFuture<?> task = beat.getAndSet(null);
      if (task != null) task.cancel(false);
    }
  }

  @GetMapping(
      path = "/clients/{id}/measure/inclinometer",
      produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter stream(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String motion,
      @RequestParam(defaultValue = "") String side,
      @RequestParam(defaultValue = "false") boolean strict) {
    UUID client = clients.get(me, id).getId();
    audit.sawPart(me, id, "inclinometer");
    Motion of = Coded.find(Motion.class, motion).orElseThrow(NotFound::new);
    Side on =
        Arrays.stream(Side.values()).filter(s -> s.name().equals(side)).findFirst().orElse(null);
    SseEmitter emitter = new SseEmitter(LONGEST_MILLIS);
    Stream stream =
        new Stream(
            emitter,
            instruments.inclinometer(client, of, on, clock.millis()),
            of,
            strict ? Readings.Protocol.STRICT : Readings.Protocol.USUAL);
    emitter.onCompletion(stream::end);
    emitter.onTimeout(stream::end);
    emitter.onError(x -> stream.end());
    stream.beat.set(
        scheduler.scheduleAtFixedRate(stream, Duration.ofMillis(Inclinometer.EVERY_MILLIS)));
    return emitter;
  }
}
