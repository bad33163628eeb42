package org.biokinet.app.worklist.internal;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Lists of where clients stand; each costs what it shows, whoever else there is. */
public interface Standings extends JpaRepository<StandingRow, UUID> {

  Optional<StandingRow> findByClientIdAndForm(UUID clientId, int form);

  List<StandingRow> findByClientIdInAndForm(Collection<UUID> clientIds, int form);

  @Modifying
  @Query("delete from StandingRow s where s.clientId = :clientId")
  void deleteByClientId(UUID clientId);

  /** Whose time is over, in the order in which they press. */
  @Query(
      """
      select s.clientId from StandingRow s where s.practiceId = :practice
      and (s.validUntil <= :now or s.form <> :form) order by s.place, s.validUntil, s.clientId
      """)
  List<UUID> due(UUID practice, Instant now, int form, Limit most);

  /** Clients who are treated now and of whom nothing is kept in this form. */
  @Query(
      nativeQuery = true,
      value =
          """
          select count(*) from client c where c.practice_id = :practice
          and c.archived_at is null and not exists
            (select 1 from standing s where s.client_id = c.id and s.form = :form)
          """)
  long missing(UUID practice, int form);

  /** The time of all of a practice is over. */
  @Modifying
  @Query(
      """
      update StandingRow s set s.validUntil = :now where s.practiceId = :practice
      and (s.validUntil is null or s.validUntil > :now)
      """)
  void expire(UUID practice, Instant now);

  /** Of every practice. */
  @Query("select s.clientId from StandingRow s where s.validUntil <= :now or s.form <> :form")
  List<UUID> due(Instant now, int form);

  boolean existsByPracticeIdAndPractitionerIdNot(UUID practiceId, UUID practitionerId);

  /** Clients who are treated now and have no row yet. */
  @Query(
      nativeQuery = true,
      value =
          """
          select c.id from client c left join standing s on s.client_id = c.id
          where c.archived_at is null and s.client_id is null
          """)
  List<UUID> missing();

  /**
   * @param all whether it does not matter whose
   * @param whose those who treat them
   * @param team who looks after them too; empty where that does not matter
   * @param from the first and {@code to} the last place that is wanted
   * @param page with the order, which has to be total
   */
  @Query(
      """
      select s from StandingRow s where s.practiceId = :practice and s.form = :form
      and (:all = true or s.practitionerId in :whose
        or (:team <> '' and locate(:team, s.team) > 0))
      and s.place between :from and :to
      """)
  Page<StandingRow> places(
      UUID practice,
      int form,
      boolean all,
      Set<UUID> whose,
      String team,
      int from,
      int to,
      Pageable page);

  /** How many are at a place. */
  interface AtPlace {
    int getPlace();

    long getClients();
  }

  /** Only places at which somebody is, in their order. */
  @Query(
      """
      select s.place as place, count(s) as clients from StandingRow s
      where s.practiceId = :practice and s.form = :form
      and (:all = true or s.practitionerId in :whose
        or (:team <> '' and locate(:team, s.team) > 0))
      and s.place between :from and :to group by s.place order by s.place
      """)
  List<AtPlace> counted(
      UUID practice, int form, boolean all, Set<UUID> whose, String team, int from, int to);

  /** By name or phone, those about whom somebody has to be told at once first. */
  @Query(
      """
      select s from StandingRow s where s.practiceId = :practice and s.form = :form
      and (:q = '' or locate(:q, s.name) > 0 or locate(:q, s.phone) > 0)
      order by s.calm, s.name, s.clientId
      """)
  Page<StandingRow> found(UUID practice, int form, String q, Pageable page);
}
