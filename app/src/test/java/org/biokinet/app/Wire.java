package org.biokinet.app;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * What lies between a browser and the server: it can be cut, so that the server is away for the
 * browser's workers too, and it can lose an answer after the server has done its part.
 */
final class Wire {

  /** In no request. */
  private static final String NOTHING = "\0";

  private final int server;
  private final ServerSocket door;
  private final Set<Socket> open = new HashSet<>();
  private boolean whole = true;
  private volatile String lost = NOTHING;
  private volatile String was = "";
  private volatile String becomes = "";

  Wire(int server) throws IOException {
    this.server = server;
    this.door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
    start(this::accept);
  }

  String address(String path) {
    return "http://127.0.0.1:" + door.getLocalPort() + path;
  }

  /** From now on nobody answers. */
  synchronized void cut() throws IOException {
    whole = false;
    for (Socket socket : open) socket.close();
    open.clear();
  }

  /** The server is there again. */
  synchronized void mend() {
    whole = true;
    lost = NOTHING;
  }

  /** What is asked arrives; what is answered to requests that begin so does not. */
  void loseAnswersTo(String request) {
    lost = request;
  }

  /** From now on the server says this instead of that, which is as long. */
  void replace(String one, String other) {
    was = one;
    becomes = other;
  }

  /** What is not compressed can be replaced. */
  private String changed(String said, boolean answer) {
    return answer
        ? said.replace(was, becomes)
        : said.replaceAll("(?i)\nAccept-Encoding: [^\r]*", "\nAccept-Encoding: identity");
  }

  /** Something that ends when its socket is closed. */
  private interface Work {
    void run() throws IOException;
  }

  private static void start(Work work) {
    Thread thread =
        new Thread(
            () -> {
              try {
                work.run();
              } catch (IOException closed) {
                // It was cut, or one of the two has gone.
              }
            });
    thread.setDaemon(true);
    thread.start();
  }

  private void accept() throws IOException {
    while (true) join(door.accept());
  }

  private synchronized void join(Socket near) throws IOException {
    if (!whole) {
      near.close();
      return;
    }
    Socket far = new Socket(InetAddress.getLoopbackAddress(), server);
    open.add(near);
    open.add(far);
    AtomicBoolean deaf = new AtomicBoolean();
    start(() -> pass(near, far, false, deaf));
    start(() -> pass(far, near, true, deaf));
  }

  private void pass(Socket from, Socket to, boolean answers, AtomicBoolean deaf)
      throws IOException {
    try (from;
        to) {
      InputStream in = from.getInputStream();
      OutputStream out = to.getOutputStream();
      byte[] some = new byte[8192];
      for (int n = in.read(some); n >= 0; n = in.read(some)) {
        if (answers && deaf.get()) return;
        String said = new String(some, 0, n, StandardCharsets.ISO_8859_1);
        if (!answers && said.startsWith(lost)) deaf.set(true);
        if (!was.isEmpty()) said = changed(said, answers);
        out.write(said.getBytes(StandardCharsets.ISO_8859_1));
        out.flush();
      }
    }
  }
}
