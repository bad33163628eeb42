package org.biokinet.app.workday;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpHandler;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.biokinet.app.workday.CalendarSource.Unreachable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Servers of calendars that answer badly. */
class CalendarSourceTest {

  private static final Duration MINUTE = Duration.ofMinutes(1);

  private final ExecutorService threads = Executors.newCachedThreadPool();

  /** Until then a bad server goes on as it is. */
  private final CountDownLatch over = new CountDownLatch(1);

  private HttpServer server;

  @BeforeEach
  void listens() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.setExecutor(threads);
    server.start();
  }

  @AfterEach
  void ends() {
    over.countDown();
    server.stop(0);
    threads.shutdownNow();
  }

  private String at(String path, HttpHandler answer) {
    server.createContext(path, answer);
    return "http://127.0.0.1:%d%s".formatted(server.getAddress().getPort(), path);
  }

  private static CalendarSource source(Duration patience) {
    return new CalendarSource(List.of(address -> true), patience);
  }

  private static HttpHandler content(int length) {
    return exchange -> {
      exchange.sendResponseHeaders(200, length);
      try (OutputStream out = exchange.getResponseBody()) {
        out.write(new byte[length]);
      }
    };
  }

  @Test
  void whatIsThereIsRead() throws Exception {
    byte[] calendar = "BEGIN:VCALENDAR".getBytes(StandardCharsets.UTF_8);
    String address =
        at(
            "/calendar",
            exchange -> {
              exchange.sendResponseHeaders(200, calendar.length);
              exchange.getResponseBody().write(calendar);
              exchange.close();
            });
    assertThat(source(MINUTE).fetch(address)).isEqualTo(calendar);
  }

  @Test
  void fiveMegabytesAndNotOneByteMore() throws Exception {
    CalendarSource source = source(MINUTE);
    String most = at("/most", content(CalendarSource.LARGEST));
    assertThat(source.fetch(most)).hasSize(CalendarSource.LARGEST);
    String more = at("/more", content(CalendarSource.LARGEST + 1));
    assertThatThrownBy(() -> source.fetch(more))
        .isInstanceOf(Unreachable.class)
        .hasMessage("it is larger than 5 MB");
  }

  /** It says that it is there, and then sends a byte now and then: it is not waited for. */
  @Test
  void oneThatDrips() throws Exception {
    CountDownLatch leftAlone = new CountDownLatch(1);
    String address = at("/drips", exchange -> drip(exchange, leftAlone));
    assertThatThrownBy(() -> source(Duration.ofMillis(300)).fetch(address))
        .isInstanceOf(Unreachable.class)
        .hasMessage("the address does not answer");
    // Nor is the connection kept open behind it.
    assertThat(leftAlone.await(30, TimeUnit.SECONDS)).isTrue();
  }

  private void drip(HttpExchange exchange, CountDownLatch leftAlone) throws IOException {
    exchange.sendResponseHeaders(200, 0);
    try (OutputStream out = exchange.getResponseBody()) {
      while (!over.await(20, TimeUnit.MILLISECONDS)) {
        out.write('.');
        out.flush();
      }
    } catch (IOException e) {
      leftAlone.countDown();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  void oneThatSaysNothing() throws Exception {
    String address =
        at(
            "/silent",
            exchange -> {
              try {
                over.await();
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              }
            });
    assertThatThrownBy(() -> source(Duration.ofMillis(300)).fetch(address))
        .isInstanceOf(Unreachable.class)
        .hasMessage("the address does not answer");
  }

  /** What leads elsewhere may lead inside. */
  @Test
  void nobodyIsFollowed() {
    String inside = at("/inside", content(10));
    String address =
        at(
            "/elsewhere",
            exchange -> {
              exchange.getResponseHeaders().add("Location", inside);
              exchange.sendResponseHeaders(302, -1);
              exchange.close();
            });
    assertThatThrownBy(() -> source(MINUTE).fetch(address))
        .isInstanceOf(Unreachable.class)
        .hasMessage("the address answers 302");
  }
}
