package org.biokinet.app.practice;

import java.time.ZoneId;
import java.util.UUID;
import org.biokinet.app.platform.Phones;

/**
 * A practice: the wall around everything that belongs to it.
 *
 * @param phone the number that a client can call
 */
public record Practice(UUID id, String name, ZoneId zone, String phone) {

  /** What a telephone dials to call it. */
  public String dialled() {
    return Phones.dialled(phone);
  }
}
