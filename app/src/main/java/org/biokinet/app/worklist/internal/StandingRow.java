package org.biokinet.app.worklist.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.client.Client;
import org.biokinet.app.worklist.Standing;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** Where one client stands, kept so that a list of them costs one statement. */
@Entity
@Table(name = "standing")
@SuppressWarnings("UnusedVariable") // most columns are there to be asked for
public class StandingRow implements Persistable<UUID> {

  /** Places from there on are of those who are looked at later, in the same order. */
  public static final int LATER = 1000;

  @Id private UUID clientId;
  private UUID practiceId;
  private UUID practitionerId;
  private String name;
  private String phone;
  private String email;
  private String zone;
  private String attention;
  private int place;
  private boolean calm;
  private Instant since;
  private @Nullable Instant validUntil;
  private int form;

  /** Ids, one after another: who else looks after the client. */
  @Column(columnDefinition = "text")
  private String team;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext") // what MariaDB calls it
  private Standing facts;

  @Transient private boolean fresh = true;

  @SuppressWarnings("NullAway.Init")
  protected StandingRow() {}

  @SuppressWarnings("NullAway.Init") // filled in by set
  public StandingRow(Client client, Set<UUID> team, Standing standing) {
    clientId = client.getId();
    practiceId = client.practiceId();
    set(client, team, standing);
  }

  public final void set(Client client, Set<UUID> team, Standing standing) {
    practitionerId = client.practitionerId();
    name = client.name();
    phone = client.phone();
    email = client.contact().email();
    zone = client.zone().getId();
    attention = standing.attention().name();
    place = standing.attention().place() + (standing.later().isPresent() ? LATER : 0);
    calm = !standing.attention().urgent();
    since = standing.since();
    validUntil = standing.validUntil().orElse(null);
    form = Standing.FORM;
    facts = standing;
    this.team = team.stream().sorted().map(UUID::toString).collect(Collectors.joining(" "));
  }

  @Override
  public UUID getId() {
    return clientId;
  }

  @Override
  public boolean isNew() {
    return fresh;
  }

  @PostLoad
  @PostPersist
  public void stored() {
    fresh = false;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public String name() {
    return name;
  }

  public String phone() {
    return phone;
  }

  public String email() {
    return email;
  }

  public ZoneId zone() {
    return ZoneId.of(zone);
  }

  public Standing standing() {
    return facts;
  }

  /** Whether it is still so: its time may have been ended before the facts said. */
  public boolean holds(Instant now) {
    return validUntil == null || now.isBefore(validUntil);
  }
}
