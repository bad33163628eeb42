package org.biokinet.app;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * What lies between a browser and the server: it can be cut, so that the server is away for the
 * browser's workers too, and it can lose an answer after the server has done its part.
 */
final class Wire implements AutoCloseable {

  private final int server;
  private final int port;
  private final Set<Socket> open = ConcurrentHashMap.newKeySet();
  private @Nullable ServerSocket door;
  private volatile boolean losing;

  Wire(int server) throws IOException {
    this.server = server;
    try (ServerSocket any = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      this.port = any.getLocalPort();
    }
    mend();
  }

  String address(String path) {
    return "http://127.0.0.1:" + port + path;
  }

  /** From now on nobody answers. */
  synchronized void cut() throws IOException {
    if (door != null) door.close();
    door = null;
    for (Socket socket : open) socket.close();
    open.clear();
  }

  /** The server is there again. */
  void mend() throws IOException {
    ServerSocket again = new ServerSocket();
    again.setReuseAddress(true);
    again.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
    door = again;
    losing = false;
    Thread accepting = new Thread(() -> accept(again));
    accepting.setDaemon(true);
    accepting.start();
  }

  /** What is asked arrives; what is answered does not. */
  void loseAnswers() {
    losing = true;
  }

  private void accept(ServerSocket at) {
    try {
      while (true) {
        Socket near = at.accept();
        Socket far = new Socket(InetAddress.getLoopbackAddress(), server);
        join(at, near, far);
      }
    } catch (IOException closed) {
      // It was cut.
    }
  }

  /** What was let in while the wire was being cut is cut too. */
  private synchronized void join(ServerSocket at, Socket near, Socket far) throws IOException {
    if (at.isClosed()) {
      near.close();
      far.close();
      return;
    }
    open.add(near);
    open.add(far);
    pass(near, far, false);
    pass(far, near, true);
  }

  private void pass(Socket from, Socket to, boolean answers) {
    Thread passing =
        new Thread(
            () -> {
              try (from;
                  to) {
                copy(from.getInputStream(), to.getOutputStream(), answers);
              } catch (IOException closed) {
                // One of the two has gone.
              }
            });
    passing.setDaemon(true);
    passing.start();
  }

  private void copy(InputStream in, OutputStream out, boolean answers) throws IOException {
    byte[] some = new byte[8192];
    for (int n = in.read(some); n >= 0; n = in.read(some)) {
      if (answers && losing) return;
      out.write(some, 0, n);
      out.flush();
    }
  }

  @Override
  public void close() {
    try {
      cut();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
