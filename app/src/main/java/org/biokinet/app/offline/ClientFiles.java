package org.biokinet.app.offline;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.biokinet.app.platform.Secrets;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import org.springframework.web.servlet.resource.ResourceUrlProvider;

/** The scripts, styles and fonts of the client's pages, and the worker that keeps them. */
@Component
public class ClientFiles {

  /** The page that asks for the PIN where there is no network; it says nothing of anybody. */
  public static final String LOCKED = "/me/without-network";

  /** What only practitioners' pages use. */
  private static final Set<String> NOT_THE_CLIENTS =
      Set.of(
          "shell",
          "program",
          "teaching",
          "library",
          "measurement",
          "posture",
          "map",
          "worklist",
          "client",
          "screening",
          "review",
          "sheet",
          "worker");

  private final ResourceUrlProvider addresses;

  /** They ship with the application, and are listed once. */
  private final Supplier<List<File>> all = SingletonSupplier.of(this::list);

  ClientFiles(ResourceUrlProvider addresses) {
    this.addresses = addresses;
  }

  /** A file, and what tells one state of it from another; empty where its name does. */
  public record File(String url, String revision) {}

  /** All of them, with the page that is shown without a network. */
  public List<File> all() {
    return all.get();
  }

  private List<File> list() {
    List<File> files = built().stream().map(this::file).toList();
    String mark =
        Secrets.hash(files + text(new ClassPathResource("templates/offline/locked.html")));
    return Stream.concat(files.stream(), Stream.of(new File(LOCKED, mark))).toList();
  }

  /**
   * A page asks for a file by a name that tells its state; a script asks for others as they are.
   */
  private File file(String name) {
    String plain = "/built/" + name;
    if (name.startsWith("shared-")) return new File(plain, "");
    if (name.equals("ticker.js")) {
      return new File(plain, Secrets.hash(text(new ClassPathResource("static" + plain))));
    }
    return new File(addresses.getForLookupPath(plain), "");
  }

  /** One word for all of them. */
  public String mark() {
    return Secrets.hash(all().toString());
  }

  public String worker() {
    return text(new ClassPathResource("static/built/worker.js"));
  }

  private static List<String> built() {
    try {
      Resource[] all =
          new PathMatchingResourcePatternResolver().getResources("classpath:static/built/*");
      return Stream.of(all)
          .map(r -> String.valueOf(r.getFilename()))
          .filter(name -> !NOT_THE_CLIENTS.contains(name.split("\\.", 2)[0]))
          .sorted(Comparator.naturalOrder())
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String text(Resource resource) {
    try {
      return resource.getContentAsString(StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
