package org.biokinet.core.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Entry point of the command line; exit status 0 when done, 2 when the input is bad. */
public final class Main {

  static final int OK = 0;
  static final int BAD_INPUT = 2;

  private Main() {}

  public static void main(String[] arguments) {
    PrintStream out = new PrintStream(System.out, false, StandardCharsets.UTF_8);
    PrintStream err = new PrintStream(System.err, true, StandardCharsets.UTF_8);
    int status = run(Arrays.asList(arguments), out, err);
    out.flush();
    System.exit(status);
  }

  /** The same without ending the process. */
  public static int run(List<String> arguments, PrintStream out, PrintStream err) {
    String command = arguments.isEmpty() ? "" : arguments.get(0);
    List<String> rest = arguments.isEmpty() ? List.of() : arguments.subList(1, arguments.size());
    return switch (command) {
      case "timeline" -> new TimelineCommand(out, err).run(rest);
      case "catalogue" -> new CatalogueCommand(out, err).run(rest);
      case "suggest" -> new SuggestCommand(out, err).run(rest);
      case "decide" -> new DecideCommand(out, err).run(rest);
      case "breaks" -> new BreaksCommand(out, err).run(rest);
      default -> {
        err.println(
            "usage: biokinet timeline FILE [--json] [--length short|usual|long]"
                + " | catalogue [WORD …] | suggest CASE [--json] | decide DIARY [--json]"
                + " | breaks CALENDAR --from DAY --to DAY --zone ZONE [--json]");
        yield BAD_INPUT;
      }
    };
  }

  /** What is in a file; empty where it cannot be read, and then it is said why. */
  static Optional<byte[]> bytes(String file, PrintStream err) {
    try {
      return Optional.of(Files.readAllBytes(Path.of(file)));
    } catch (NoSuchFileException e) {
      err.println("there is no file " + file);
    } catch (IOException e) {
      err.println("cannot read " + file + ": " + e.getMessage());
    }
    return Optional.empty();
  }

  /** The text of a file; empty where it cannot be read, and then it is said why. */
  static Optional<String> text(String file, PrintStream err) {
    Optional<byte[]> bytes = bytes(file, err);
    if (bytes.isEmpty()) return Optional.empty();
    try {
      ByteBuffer read = ByteBuffer.wrap(bytes.get());
      return Optional.of(StandardCharsets.UTF_8.newDecoder().decode(read).toString());
    } catch (CharacterCodingException e) {
      err.println(file + " is not UTF-8 text");
    }
    return Optional.empty();
  }
}
