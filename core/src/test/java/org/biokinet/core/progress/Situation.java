package org.biokinet.core.progress;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.screening.Gate;

/** How it stands with a client, from one with whom all is well; times are hours ago. */
final class Situation {

  static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");

  private Optional<Instant> stopped = Optional.empty();
  private Optional<Gate.Why> closed = Optional.empty();
  private boolean renewable;
  private Optional<Instant> whileClosed = Optional.empty();
  private Optional<Instant> mapAsks = Optional.empty();
  private Optional<Instant> tooHigh = Optional.empty();
  private Optional<Instant> message = Optional.empty();
  private boolean pin;
  private Optional<Integer> rise = Optional.of(0);
  private Optional<Instant> lastSession = ago(20);
  private boolean draft;
  private boolean opened = true;
  private Optional<Instant> review = Optional.of(NOW.plus(Duration.ofDays(3)));
  private Optional<Flare> flare = Optional.empty();
  private Optional<Instant> away = Optional.empty();
  private Optional<Instant> byItself = Optional.empty();
  private Optional<Instant> newSymptom = Optional.empty();
  private boolean reExamine;
  private boolean worse;
  private boolean ready;
  private boolean returned;
  private Optional<Side> behind = Optional.empty();
  private Optional<Instant> desk = Optional.empty();

  private static Optional<Instant> ago(long hours) {
    return Optional.of(NOW.minus(Duration.ofHours(hours)));
  }

  Situation stopped(long hours) {
    stopped = ago(hours);
    return this;
  }

  Situation closed(Gate.Why why) {
    closed = Optional.of(why);
    return this;
  }

  Situation renewable() {
    renewable = true;
    return this;
  }

  Situation doneWhileClosed(long hours) {
    whileClosed = ago(hours);
    return this;
  }

  Situation mapAsks(long hours) {
    mapAsks = ago(hours);
    return this;
  }

  Situation tooSore(long hours) {
    tooHigh = ago(hours);
    return this;
  }

  Situation wrote(long hours) {
    message = ago(hours);
    return this;
  }

  Situation forgotPin() {
    pin = true;
    return this;
  }

  Situation rose(int by) {
    rise = Optional.of(by);
    return this;
  }

  Situation lastSession(long hours) {
    lastSession = ago(hours);
    return this;
  }

  Situation neverStarted() {
    lastSession = Optional.empty();
    rise = Optional.empty();
    return this;
  }

  Situation notOpened() {
    opened = false;
    return neverStarted();
  }

  Situation draft() {
    draft = true;
    return this;
  }

  Situation reviewDue() {
    review = ago(9);
    return this;
  }

  Situation flare(long hours) {
    Instant begun = NOW.minus(Duration.ofHours(hours));
    flare = Optional.of(new Flare(begun, 2, Optional.empty(), Optional.empty()));
    return this;
  }

  Situation away(long hours) {
    away = ago(hours);
    return this;
  }

  Situation byItself(long hours) {
    byItself = ago(hours);
    return this;
  }

  Situation newOnTheMap(long hours) {
    newSymptom = ago(hours);
    return this;
  }

  Situation easedTwice() {
    reExamine = true;
    return worse();
  }

  Situation worse() {
    worse = true;
    return this;
  }

  Situation ready() {
    ready = true;
    return this;
  }

  Situation back() {
    returned = true;
    return this;
  }

  Situation behind(Side side) {
    behind = Optional.of(side);
    return this;
  }

  Situation deskSilent(long hours) {
    desk = ago(hours);
    return this;
  }

  Attention attention() {
    return Attention.of(facts(), NOW);
  }

  Attention.Facts facts() {
    return new Attention.Facts(
        stopped,
        closed,
        renewable,
        whileClosed,
        mapAsks,
        tooHigh,
        message,
        pin,
        rise,
        lastSession,
        ago(200),
        draft,
        opened,
        review,
        new Attention.Rest(
            flare, Optional.empty(), away, away.map(at -> NOW.plus(Duration.ofDays(4)))),
        byItself,
        newSymptom,
        new Attention.Progress(reExamine, worse, ready, returned, behind, desk));
  }
}
