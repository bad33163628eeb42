package org.biokinet.app.client.internal;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.biokinet.core.progress.Attention;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface Matters extends JpaRepository<MatterRow, UUID> {

  /** The newest of each sort that nobody has dealt with since, the newest first. */
  @Query(
      """
      select m from MatterRow m where m.clientId = :client
      and m.at = (select max(n.at) from MatterRow n
                  where n.clientId = :client and n.attention = m.attention)
      and not exists (select 1 from ClientEvent e where e.clientId = :client
                      and e.kind = org.biokinet.app.client.internal.ClientEvent.Kind.DEALT_WITH
                      and e.at >= m.at)
      order by m.at desc
      """)
  List<MatterRow> open(UUID client);

  void deleteByClientIdAndAttentionAndAtGreaterThanEqual(
      UUID clientId, Attention attention, Instant at);
}
