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
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Somebody who is signed in to a running application. */
final class Browser {

  private final HttpClient http =
      HttpClient.newBuilder()
          .cookieHandler(new CookieManager())
          .followRedirects(HttpClient.Redirect.NORMAL)
          .build();
  private final String base;

  Browser(String base, String email, String password) throws IOException, InterruptedException {
    this.base = base;
    post("/sign-in", Map.of("email", email, "password", password), get("/sign-in").body());
  }

  HttpResponse<String> get(String path) throws IOException, InterruptedException {
    return http.send(
        HttpRequest.newBuilder(URI.create(base + path)).build(), BodyHandlers.ofString());
  }

  /**
   * @param page the one with the form, for its token against forged requests
   */
  HttpResponse<String> post(String path, Map<String, String> form, String page)
      throws IOException, InterruptedException {
    String token = found(page, "name=\"_?csrf\"[^>]*?(?:content|value)=\"([^\"]+)\"");
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

  static String found(String page, String pattern) {
    Matcher m = Pattern.compile(pattern).matcher(page);
    if (!m.find()) throw new IllegalStateException("the page has no " + pattern);
    return m.group(1);
  }
}
