package org.biokinet.app.client;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The newest event of each kind of one client. */
public record History(Map<ClientEvent.Kind, ClientEvent> newest) {

  public static final History NONE = new History(Map.of());

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

  /** The newest of a kind that the practitioner has not dealt with since. */
  public Optional<ClientEvent> open(ClientEvent.Kind kind) {
    Optional<ClientEvent> dealtWith = newest(ClientEvent.Kind.DEALT_WITH);
    return newest(kind).filter(e -> dealtWith.isEmpty() || e.at().isAfter(dealtWith.get().at()));
  }

  /** All that waits for an outcome, the newest first. */
  public List<ClientEvent> open() {
    return Stream.of(
            ClientEvent.Kind.STOPPED,
            ClientEvent.Kind.WHILE_CLOSED,
            ClientEvent.Kind.MAP_ASKS,
            ClientEvent.Kind.PAIN_TOO_HIGH)
        .flatMap(kind -> open(kind).stream())
        .sorted(Comparator.comparing(ClientEvent::at).reversed())
        .toList();
  }

  /** Whether something waits that came in after what somebody has read. */
  public boolean openSince(Instant read) {
    return open().stream().anyMatch(e -> e.at().isAfter(read));
  }

  /** After a stop nothing goes on until the practitioner has dealt with it. */
  public boolean paused() {
    return open(ClientEvent.Kind.STOPPED).isPresent();
  }

  /** Whether the client was archived by what is known here. */
  public boolean archived() {
    Optional<ClientEvent> back = newest(ClientEvent.Kind.REACTIVATED);
    return newest(ClientEvent.Kind.ARCHIVED)
        .filter(e -> back.isEmpty() || e.at().isAfter(back.get().at()))
        .filter(
            e -> newest(ClientEvent.Kind.NEW_EPISODE).filter(n -> n.at().isAfter(e.at())).isEmpty())
        .isPresent();
  }

  /** Whether the client waits for another PIN. */
  public boolean pinForgotten() {
    Optional<ClientEvent> made = newest(ClientEvent.Kind.LINK_MADE);
    return newest(ClientEvent.Kind.PIN_FORGOTTEN)
        .filter(e -> made.isEmpty() || e.at().isAfter(made.get().at()))
        .isPresent();
  }
}
