package org.biokinet.bench;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Map;

/**
 * Types into Plan's live fragment of a running demo, a program of 20 items open, and says how long
 * the answers took. Adds a client of its own to the demo.
 *
 * <pre>java -cp bench/target/classes org.biokinet.bench.PlanLoad http://127.0.0.1:8080</pre>
 */
public final class PlanLoad {

  private static final int ITEMS = 20;
  private static final int WARM_UP = 300;
  private static final int REQUESTS = 400;

  private final Browser browser;

  private PlanLoad(Browser browser) {
    this.browser = browser;
  }

  public static void main(String[] arguments) throws IOException, InterruptedException {
    new PlanLoad(new Browser(arguments[0], "okafor@harbourlane.example", "harbour-lane-demo"))
        .run();
  }

  private void run() throws IOException, InterruptedException {
    String form = browser.get("/clients/new").body();
    HttpResponse<String> plan =
        browser.post(
            "/clients/new",
            Map.of(
                "name", "Load Test",
                "anyway", "yes",
                "zone", "UTC",
                "language", "en",
                "positions", "chair",
                "practitioner", Browser.found(form, "<option value=\"([0-9a-f-]{36})\"")),
            form);
    String path = plan.uri().getPath().replaceAll("/screen$", "/plan");
    for (int i = 0; i < ITEMS; i++) {
      browser.post(
          path + "/add", Map.of("seq", "0", "exercise", "upper-trap-stretch"), plan.body());
    }
    String page = browser.get(path).body();
    String key = Browser.found(page, "id=\"dose-([0-9a-f-]+)\"");
    for (int i = 0; i < WARM_UP; i++) live(path, key, i);
    double[] millis = new double[REQUESTS];
    for (int i = 0; i < REQUESTS; i++) {
      long begin = System.nanoTime();
      live(path, key, i);
      millis[i] = (System.nanoTime() - begin) / 1e6;
    }
    Arrays.sort(millis);
    System.out.printf(
        "live fragment, %d items, %d requests: median %.1f ms, 95 %% %.1f ms%n",
        ITEMS, REQUESTS, millis[REQUESTS / 2], millis[REQUESTS * 95 / 100]);
  }

  private void live(String path, String key, int i) throws IOException, InterruptedException {
    HttpResponse<String> answer =
        browser.get(path + "/live?key=" + key + "&dose=" + (2 + i % 5) + "x15s");
    if (answer.statusCode() != 200 || !answer.body().contains("holds of 15 s")) {
      throw new IllegalStateException("not a live fragment: " + answer.statusCode());
    }
  }
}
