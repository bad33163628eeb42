package org.biokinet.app.workday;

import java.io.ByteArrayOutputStream;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Fetches a calendar from an address that a client typed: over TLS, from the open network only, so
 * that nobody reads through us what only we can reach; not more than a calendar can have.
 */
@Component
public class CalendarSource {

  static final int LARGEST = 5_000_000;
  private static final int LONGEST_ADDRESS = 500;
  private static final Duration CONNECT = Duration.ofSeconds(5);
  private static final Duration ANSWER = Duration.ofSeconds(15);

  private final List<TrustedSource> trusted;

  /** What leads elsewhere is not followed: nobody has looked where. */
  private final HttpClient http =
      HttpClient.newBuilder()
          .connectTimeout(CONNECT)
          .followRedirects(HttpClient.Redirect.NEVER)
          .build();

  private final Duration patience;

  @Autowired
  CalendarSource(ObjectProvider<TrustedSource> trusted) {
    this(trusted.stream().toList(), ANSWER);
  }

  CalendarSource(List<TrustedSource> trusted, Duration patience) {
    this.trusted = trusted;
    this.patience = patience;
  }

  /** There is nothing to be had. */
  public static final class Unreachable extends Exception {
    Unreachable(String why) {
      super(why);
    }
  }

  /**
   * @param typed with https or webcal
   * @throws Unreachable with why, in words for the client
   */
  public byte[] fetch(String typed) throws Unreachable {
    URI address = address(typed);
    if (trusted.stream().noneMatch(t -> t.trusts(address))) open(address);
    HttpRequest request = HttpRequest.newBuilder(address).build();
    ByteArrayOutputStream content = new ByteArrayOutputStream();
    CompletableFuture<HttpResponse<Void>> answer =
        http.sendAsync(
            request,
            HttpResponse.BodyHandlers.ofByteArrayConsumer(
                part ->
                    // What is more than that is let go by.
                    part.filter(p -> content.size() <= LARGEST).ifPresent(content::writeBytes)));
    try {
      // All of it, and not only the beginning: one that drips is one that does not answer.
      int status = answer.get(patience.toMillis(), TimeUnit.MILLISECONDS).statusCode();
      if (status != 200) throw new Unreachable("the address answers %d".formatted(status));
    } catch (ExecutionException | TimeoutException e) {
      answer.cancel(/* mayInterruptIfRunning= */ true);
      throw new Unreachable("the address does not answer");
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Unreachable("the address does not answer");
    }
    if (content.size() > LARGEST) throw new Unreachable("it is larger than 5 MB");
    return content.toByteArray();
  }

  private URI address(String typed) throws Unreachable {
    if (typed.length() > LONGEST_ADDRESS) throw new Unreachable("the address is too long");
    URI address;
    try {
      address = URI.create(typed.replaceFirst("^webcals?://", "https://"));
    } catch (IllegalArgumentException e) {
      throw new Unreachable("that is no address");
    }
    if (address.getHost() == null || address.getUserInfo() != null) {
      throw new Unreachable("that is no address");
    }
    boolean known = trusted.stream().anyMatch(t -> t.trusts(address));
    if (!known && !"https".equalsIgnoreCase(address.getScheme())) {
      throw new Unreachable("the address has to begin with https");
    }
    return address;
  }

  /** Java keeps what a name leads to for some seconds, so that the same is asked afterwards. */
  private static void open(URI address) throws Unreachable {
    try {
      for (InetAddress a : InetAddress.getAllByName(address.getHost())) {
        if (!open(a)) throw new Unreachable("the address is not on the open network");
      }
    } catch (UnknownHostException e) {
      throw new Unreachable("there is no such address");
    }
  }

  /** Whether everybody can reach it (RFC 1918, 4193, 6598 and those of the machine itself not). */
  static boolean open(InetAddress a) {
    byte[] bytes = a.getAddress();
    int first = bytes[0] & 0xFF;
    int second = bytes[1] & 0xFF;
    boolean uniqueLocal = bytes.length == 16 && (first & 0xFE) == 0xFC;
    boolean shared = bytes.length == 4 && first == 100 && (second & 0xC0) == 64;
    boolean none = bytes.length == 4 && (first == 0 || first >= 240);
    return !(a.isLoopbackAddress()
        || a.isAnyLocalAddress()
        || a.isLinkLocalAddress()
        || a.isSiteLocalAddress()
        || a.isMulticastAddress()
        || uniqueLocal
        || shared
        || none);
  }
}
