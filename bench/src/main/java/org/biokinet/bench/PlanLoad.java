package org.biokinet.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

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

  private final HttpClient http =
      HttpClient.newBuilder()
          .cookieHandler(new CookieManager())
          .followRedirects(HttpClient.Redirect.NORMAL)
          .build();
  private final String base;

  private PlanLoad(String base) {
    this.base = base;
  }

  public static void main(String[] arguments) throws IOException, InterruptedException {
    new PlanLoad(arguments[0]).run();
  }

  private void run() throws IOException, InterruptedException {
    post(
        "/sign-in",
        Map.of("email", "okafor@harbourlane.example", "password", "harbour-lane-demo"),
        get("/sign-in").body());
    String form = get("/clients/new").body();
    HttpResponse<String> plan =
        post("/clients/new", Map.of("name", "Load Test", "work", "", "zone", "UTC"), form);
    String path = plan.uri().getPath();
    for (int i = 0; i < ITEMS; i++) {
      post(path + "/add", Map.of("seq", "0", "exercise", "upper-trap-stretch"), plan.body());
    }
    String page = get(path).body();
    String key = found(page, "id=\"dose-([0-9a-f-]+)\"");
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
    HttpResponse<String> answer = get(path + "/live?key=" + key + "&dose=" + (2 + i % 5) + "x15s");
    if (answer.statusCode() != 200 || !answer.body().contains("holds of 15 s")) {
      throw new IllegalStateException("not a live fragment: " + answer.statusCode());
    }
  }

  private HttpResponse<String> get(String path) throws IOException, InterruptedException {
    return http.send(
        HttpRequest.newBuilder(URI.create(base + path)).build(), BodyHandlers.ofString());
  }

  private HttpResponse<String> post(String path, Map<String, String> form, String page)
      throws IOException, InterruptedException {
    String token = found(page, "name=\"csrf\" content=\"([^\"]+)\"");
    String body =
        form.entrySet().stream()
            .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
            .collect(Collectors.joining("&"));
    return http.send(
        HttpRequest.newBuilder(URI.create(base + path))
            .header("Content-Type", "application/x-www-form-urlencoded")
            .header("X-CSRF-TOKEN", token)
            .POST(BodyPublishers.ofString(body))
            .build(),
        BodyHandlers.ofString());
  }

  private static String found(String page, String pattern) {
    Matcher m = Pattern.compile(pattern).matcher(page);
    if (!m.find()) throw new IllegalStateException("the page has no " + pattern);
    return m.group(1);
  }
}
