package org.biokinet.app.measurement;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.measurement.internal.MarkerErrorRow;
import org.biokinet.app.measurement.internal.PhotographRow;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Posture;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Side photographs, for the client's practitioner and the care team only. */
@Service
public class PhotographService {

  interface Photographs extends JpaRepository<PhotographRow, UUID> {
    /** Without the pictures themselves. */
    @Query(
        """
        select p.id as id, p.localDate as day, p.facing as facing, p.width as width,
          p.height as height from PhotographRow p
          where p.clientId = :client and p.withdrawnAt is null order by p.at desc
        """)
    List<Known> known(UUID client);
  }

  interface MarkerErrors extends JpaRepository<MarkerErrorRow, UUID> {
    List<MarkerErrorRow> findByPractitionerIdOrderByAtDesc(UUID practitionerId, Limit limit);
  }

  /** What is known of a photograph without opening it. */
  public interface Known {
    UUID getId();

    LocalDate getDay();

    Side getFacing();

    int getWidth();

    int getHeight();
  }

  private final Photographs photographs;
  private final MarkerErrors errors;
  private final ClientService clients;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  PhotographService(
      Photographs photographs,
      MarkerErrors errors,
      ClientService clients,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.photographs = photographs;
    this.errors = errors;
    this.clients = clients;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** Whether I am the client's practitioner or of the care team. */
  @Transactional(readOnly = true)
  public boolean maySeePictures(Me me, Client client) {
    return client.practitionerId().equals(me.id())
        || clients.careTeam(me, client.getId()).contains(me.id());
  }

  /**
   * @throws NotFound for whoever does not treat the client
   */
  @Transactional(readOnly = true)
  public void mayKeep(Me me, UUID clientId) {
    ofMyCare(me, clientId);
  }

  private Client ofMyCare(Me me, UUID clientId) {
    Client client = clients.get(me, clientId);
    if (!maySeePictures(me, client)) throw new NotFound();
    return client;
  }

  /** The newest first. */
  @Transactional(readOnly = true)
  public List<Known> all(Me me, UUID clientId) {
    return photographs.known(ofMyCare(me, clientId).getId());
  }

  @Changes
  public UUID keep(Me me, UUID clientId, Side facing, Picture picture) {
    Client client = ofMyCare(me, clientId);
    LocalDate day = clock.instant().atZone(client.zone()).toLocalDate();
    audit.changed(me, clientId, "photograph kept", "");
    return photographs
        .save(new PhotographRow(clientId, day, facing, picture, me.id(), clock.instant()))
        .getId();
  }

  /** Keeps a made-up photograph with its marks, for the demo. */
  @Changes
  public Measured.SidePhoto keep(Me me, UUID clientId, SamplePhoto sample) {
    UUID id = keep(me, clientId, sample.marks().facing(), sample.picture());
    return new Measured.SidePhoto(id, sample.marks());
  }

  /**
   * The picture itself.
   *
   * @throws NotFound for whoever does not treat the client, just as for no picture
   */
  @Transactional
  public byte[] image(Me me, UUID clientId, UUID id) {
    ofMyCare(me, clientId);
    PhotographRow row = one(clientId, id);
    audit.saw(me, clientId, "photograph");
    return row.image();
  }

  private PhotographRow one(UUID clientId, UUID id) {
    return photographs
        .findById(id)
        .filter(p -> p.clientId().equals(clientId) && !p.withdrawn())
        .orElseThrow(NotFound::new);
  }

  /** Takes a photograph back, such as one of somebody else: the picture itself is deleted. */
  @Changes
  public void withdraw(Me me, UUID clientId, UUID id) {
    ofMyCare(me, clientId);
    one(clientId, id).withdraw(clock.instant());
    publisher.publishEvent(new MeasuresChanged(clientId));
    audit.changed(me, clientId, "photograph withdrawn", "");
  }

  /** My own unsteadiness in marking, in degrees; empty while it was not measured. */
  @Transactional(readOnly = true)
  public Optional<Double> myError(Me me) {
    return errors.findByPractitionerIdOrderByAtDesc(me.id(), Limit.of(1)).stream()
        .findFirst()
        .map(MarkerErrorRow::degrees);
  }

  @Changes
  public OptionalDouble keepMyError(Me me, List<Double> repeated) {
    OptionalDouble error = Posture.markerError(repeated);
    if (error.isPresent()) {
      errors.save(
          new MarkerErrorRow(me.id(), error.getAsDouble(), repeated.size(), clock.instant()));
    }
    return error;
  }
}
