package org.biokinet.app.session;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import java.util.UUID;
import org.biokinet.core.session.Tighter;
import org.jspecify.annotations.Nullable;

/**
 * The answers after a session.
 *
 * @param sessionUploadId the session they are about; it may arrive later
 * @param highestPain during the session, 0–10; null where it was not told
 * @param tighter which side felt tighter, by the place of the item; null where nothing was told
 * @param stretchFelt on the 0–10 stretch scale; null where it was not told
 */
public record CheckInUpload(
    @NotNull UUID uploadId,
    @NotNull UUID sessionUploadId,
    @Nullable Integer highestPain,
    @Nullable Integer stretchFelt,
    @Nullable @Size(max = 60) Map<@NotNull Integer, @NotNull Tighter> tighter,
    @NotNull @Size(max = 1000) String note) {

  public Map<Integer, Tighter> tighterTold() {
    return tighter == null ? Map.of() : tighter;
  }
}
