package org.biokinet.app.client;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.biokinet.app.account.ClientNames;
import org.biokinet.app.account.Me;
import org.springframework.stereotype.Component;

@Component
class ClientNamesOfPractice implements ClientNames {

  private final Clients clients;

  ClientNamesOfPractice(Clients clients) {
    this.clients = clients;
  }

  @Override
  public Map<UUID, String> of(Me me) {
    Map<UUID, String> names = new LinkedHashMap<>();
    clients
        .findByPracticeIdOrderByName(me.practiceId())
        .forEach(c -> names.put(c.getId(), c.contact().name()));
    return names;
  }
}
