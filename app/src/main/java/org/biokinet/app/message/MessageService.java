package org.biokinet.app.message;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.message.internal.MessageRow;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.Cut;
import org.biokinet.app.practice.Me;
import org.biokinet.core.progress.Attention;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A client asks, a practitioner answers when they look: nobody watches live, and it says so. */
@Service
public class MessageService {

  interface Messages extends JpaRepository<MessageRow, UUID> {
    List<MessageRow> findByClientIdOrderByAtDescIdDesc(UUID clientId, Limit most);

    List<MessageRow> findByClientIdAndAtGreaterThanEqualAndAtLessThan(
        UUID clientId, Instant from, Instant until);

    List<MessageRow> findByClientIdAndByPractitionerNotNullAndSeenAtNull(UUID clientId);

    long countByClientIdAndByPractitionerNotNullAndSeenAtNull(UUID clientId);
  }

  /** As many as a page shows; who needs to say more calls. */
  private static final int SHOWN = 50;

  /** Of a message on the worklist; the whole is read in Review. */
  private static final int LONGEST_DETAIL = 160;

  private final Messages messages;
  private final ClientService clients;
  private final AccountService accounts;
  private final Audit audit;
  private final Clock clock;

  MessageService(
      Messages messages, ClientService clients, AccountService accounts, Audit audit, Clock clock) {
    this.messages = messages;
    this.clients = clients;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * Keeps a question and puts it on the list of the practice.
   *
   * @param id of the form in which it was written: sent twice it is one, with other words it is two
   * @param told when it was written, by a device that had no network then
   */
  @Changes
  public void ask(ClientMe me, UUID id, String text, Optional<Instant> told) {
    clients.lock(me);
    String written = Cut.to(Message.LONGEST, text);
    boolean otherWords = messages.findById(id).filter(m -> !m.text().equals(written)).isPresent();
    UUID own =
        otherWords ? UUID.nameUUIDFromBytes((id + written).getBytes(StandardCharsets.UTF_8)) : id;
    if (messages.existsById(own)) return;
    Instant now = clock.instant();
    // A clock that is ahead has told nothing about when that was.
    Instant before = told.filter(t -> t.isBefore(now)).orElse(null);
    messages.save(new MessageRow(own, me.id(), null, written, now, before));
    clients.raise(me.id(), Attention.MESSAGE, Cut.to(LONGEST_DETAIL, written));
    audit.changedByClient(me.practiceId(), me.id(), "message", "");
  }

  /**
   * Keeps an answer; what the client has asked until now is dealt with by it.
   *
   * @return false where there is nothing in it
   */
  @Changes
  public boolean answer(Me me, UUID clientId, UUID id, String text) {
    clients.lock(me, clientId);
    if (text.isBlank()) return false;
    if (messages.existsById(id)) return true;
    messages.save(
        new MessageRow(
            id, clientId, me.id(), Cut.to(Message.LONGEST, text), clock.instant(), null));
    clients.answered(clientId, Attention.MESSAGE);
    audit.changed(me, clientId, "answered a message", "");
    return true;
  }

  /** Tells a client something that answers nothing they have asked. */
  @Changes
  public void tell(Me me, UUID clientId, String text) {
    messages.save(
        new MessageRow(
            UUID.randomUUID(),
            clientId,
            me.id(),
            Cut.to(Message.LONGEST, text),
            clock.instant(),
            null));
  }

  /** The newest first. */
  @Transactional(readOnly = true)
  public List<Message> thread(UUID clientId) {
    return messages.findByClientIdOrderByAtDescIdDesc(clientId, Limit.of(SHOWN)).stream()
        .map(this::message)
        .toList();
  }

  /** What was written in a time. */
  @Transactional(readOnly = true)
  List<Message> between(UUID clientId, Instant from, Instant until) {
    return messages.findByClientIdAndAtGreaterThanEqualAndAtLessThan(clientId, from, until).stream()
        .map(this::message)
        .toList();
  }

  /** How many answers the client has not read. */
  @Transactional(readOnly = true)
  public long unread(UUID clientId) {
    return messages.countByClientIdAndByPractitionerNotNullAndSeenAtNull(clientId);
  }

  /** The client has opened the page on which the answers stand. */
  @Changes
  public void read(ClientMe me) {
    messages
        .findByClientIdAndByPractitionerNotNullAndSeenAtNull(me.id())
        .forEach(m -> m.seen(clock.instant()));
  }

  private Message message(MessageRow row) {
    Optional<String> by = row.by().map(accounts::practitionerName);
    return new Message(by, row.text(), row.at(), row.toldAt(), row.seenAt());
  }
}
