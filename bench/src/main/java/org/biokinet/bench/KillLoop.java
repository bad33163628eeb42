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
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Kills the application and the database in the middle of writing, again and again, and counts what
 * was acknowledged and is not there. Starts and stops the demo in the folder that is named; what it
 * writes stays in the demo.
 *
 * <pre>java -cp bench/target/classes org.biokinet.bench.KillLoop FOLDER ROUNDS</pre>
 */
public final class KillLoop {

  private static final int PORT = 8099;
  private static final int WRITERS = 4;
  private static final Duration PATIENCE = Duration.ofMinutes(2);

  private final Path folder;
  private final String base = "http://127.0.0.1:" + PORT;
  private final Random random = new Random(14);
  private final List<UUID> acknowledged = Collections.synchronizedList(new ArrayList<>());
  private final List<Long> recovered = new ArrayList<>();
  private volatile boolean writing;
  private String device = "";

  private KillLoop(Path folder) {
    this.folder = folder;
  }

  public static void main(String[] arguments) throws Exception {
    new KillLoop(Path.of(arguments[0]).toAbsolutePath()).run(Integer.parseInt(arguments[1]));
  }

  private void run(int rounds) throws Exception {
    start();
    try {
      for (int round = 0; round < rounds; round++) round(round % 2 == 0 ? "app" : "db");
      int there = rowsThere();
      System.out.printf(
          "%d kills, %d writes acknowledged, %d there, %d lost, %d kept twice; back after %d to %d"
              + " s%n",
          rounds,
          acknowledged.size(),
          there,
          acknowledged.size() - there,
          twice(),
          Collections.min(recovered),
          Collections.max(recovered));
    } finally {
      shell("./biokinet", "stop").waitFor();
    }
  }

  private void round(String what) throws Exception {
    Client client = new Client();
    writing = true;
    List<Thread> writers = new ArrayList<>();
    for (int i = 0; i < WRITERS; i++) writers.add(new Thread(() -> write(client)));
    writers.forEach(Thread::start);
    Thread.sleep(500 + random.nextInt(1500));
    long pid = Long.parseLong(Files.readString(folder.resolve("var/" + what + ".pid")).strip());
    ProcessHandle.of(pid).orElseThrow().destroyForcibly();
    Instant killed = Instant.now();
    writing = false;
    for (Thread t : writers) t.join();
    if (what.equals("app")) {
      // The script ends with the application, and takes the database with it.
      while (Files.exists(folder.resolve("var/app.address"))) Thread.sleep(100);
      start();
    } else {
      until(() -> client.get("/me/csrf").statusCode() == 200);
    }
    long seconds = Duration.between(killed, Instant.now()).toSeconds();
    recovered.add(seconds);
    System.out.printf(
        "killed %s: %d acknowledged so far, back after %d s%n", what, acknowledged.size(), seconds);
  }

  /** Sends sessions until told to stop; whatever is answered with 204 has to be there for ever. */
  private void write(Client client) {
    while (writing) {
      UUID id = UUID.randomUUID();
      try {
        if (client.send(id) == 204) acknowledged.add(id);
      } catch (IOException e) {
        return; // killed
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return;
      }
    }
  }

  private interface Question {
    boolean yes() throws Exception;
  }

  private static void until(Question question) throws Exception {
    Instant end = Instant.now().plus(PATIENCE);
    while (Instant.now().isBefore(end)) {
      try {
        if (question.yes()) return;
      } catch (IOException e) {
        // Not yet.
      }
      Thread.sleep(200);
    }
    throw new IllegalStateException("not back after " + PATIENCE);
  }

  private void start() throws Exception {
    shell("./biokinet", "start", "--port", Integer.toString(PORT));
    HttpClient http = HttpClient.newHttpClient();
    URI ready = URI.create(base + "/actuator/health/readiness");
    until(
        () ->
            http.send(HttpRequest.newBuilder(ready).build(), BodyHandlers.ofString()).statusCode()
                == 200);
  }

  private Process shell(String... command) throws IOException {
    return new ProcessBuilder(command)
        .directory(folder.toFile())
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
        .start();
  }

  private int rowsThere() throws Exception {
    String ids = acknowledged.stream().map(id -> "'" + id + "'").collect(Collectors.joining(","));
    return query(
        "select count(distinct upload_id) from session_record where upload_id in (" + ids + ")");
  }

  private int twice() throws Exception {
    return query("select count(*) - count(distinct upload_id) from session_record");
  }

  private int query(String sql) throws Exception {
    Process p =
        new ProcessBuilder(
                "mariadb",
                "--no-defaults",
                "--socket=" + folder.resolve("var/db.sock"),
                "--user=root",
                "--password=" + Files.readString(folder.resolve("var/db.password")).strip(),
                "-N",
                "biokinet_demo")
            .redirectErrorStream(true)
            .start();
    try (var in = p.outputWriter()) {
      in.write(sql);
    }
    String answer = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
    p.waitFor(10, TimeUnit.SECONDS);
    return Integer.parseInt(answer);
  }

  /** The demo's client on a device. */
  private final class Client {

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
        HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(Duration.ofSeconds(5))
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private final String whose;
    private final String body;
    private final String header;
    private final String token;

    Client() throws Exception {
      if (device.isEmpty()) {
        String form =
            "pin=246810&_csrf="
                + encoded(found(get("/c/demo-ines").body(), "name=\"_csrf\" value=\"([^\"]+)\""));
        http.send(
            HttpRequest.newBuilder(URI.create(base + "/c/demo-ines"))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString(form))
                .build(),
            BodyHandlers.ofString());
        device =
            cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("biokinet-client"))
                .findFirst()
                .orElseThrow()
                .getValue();
      } else {
        cookies.put(
            URI.create(base),
            Map.of("Set-Cookie", List.of("biokinet-client=" + device + "; Path=/")));
      }
      String player = get("/me/player?pain=2").body();
      whose = found(player, "name=\"client\" content=\"([^\"]+)\"");
      String csrf = get("/me/csrf").body();
      header = found(csrf, "\"header\":\"([^\"]+)\"");
      token = found(csrf, "\"token\":\"([^\"]+)\"");
      String done =
          Pattern.compile("\"seconds\":(\\d+),\"kind\"")
              .matcher(player)
              .results()
              .map(m -> m.group(1))
              .collect(Collectors.joining(","));
      body =
          """
          {"uploadId":"%%s","version":%s,"lead":"%s","length":"USUAL","startedAt":"%s",\
          "zone":"Europe/Lisbon","painBefore":2,"ended":"EARLY","reason":"","done":[%s]}"""
              .formatted(
                  found(player, "\"version\":(\\d+)"),
                  found(player, "\"lead\":\"(\\w+)\""),
                  Instant.now(),
                  done);
    }

    HttpResponse<String> get(String path) throws IOException, InterruptedException {
      return http.send(
          HttpRequest.newBuilder(URI.create(base + path))
              .header("Accept", path.contains("csrf") ? "application/json" : "text/html")
              .timeout(Duration.ofSeconds(20))
              .build(),
          BodyHandlers.ofString());
    }

    int send(UUID id) throws IOException, InterruptedException {
      return http.send(
              HttpRequest.newBuilder(URI.create(base + "/me/sessions?client=" + whose))
                  .header("Content-Type", "application/json")
                  .header("Accept", "application/json")
                  .header(header, token)
                  .timeout(Duration.ofSeconds(20))
                  .POST(BodyPublishers.ofString(body.formatted(id)))
                  .build(),
              BodyHandlers.ofString())
          .statusCode();
    }
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  private static String found(String text, String pattern) {
    Matcher m = Pattern.compile(pattern).matcher(text);
    if (!m.find()) throw new IllegalStateException("no " + pattern);
    return m.group(1);
  }
}
