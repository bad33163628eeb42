package org.biokinet.app.client;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** The newest event of each kind of one client. */
public record History(Map<ClientEvent.Kind, ClientEvent> newest) {

  public History {
    newest = Map.copyOf(newest);
  }

  static History of(List<ClientEvent> newest) {
    return new History(
        newest.stream()
            .collect(Collectors.toMap(ClientEvent::kind, Function.identity(), (a, b) -> b)));
  }

  public Optional<ClientEvent> newest(ClientEvent.Kind kind) {
    return Optional.ofNullable(newest.get(kind));
  }

  /** Whether the client waits for another PIN. */
  public boolean pinForgotten() {
    Optional<ClientEvent> made = newest(ClientEvent.Kind.LINK_MADE);
    return newest(ClientEvent.Kind.PIN_FORGOTTEN)
        .filter(e -> made.isEmpty() || e.at().isAfter(made.get().at()))
        .isPresent();
  }
}
