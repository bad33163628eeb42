package org.biokinet.app.session;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.session.Tighter;
import org.jspecify.annotations.Nullable;

/**
 * The answers after a session.
 *
 * @param sessionUploadId the session they are about; it may arrive later
 * @param highestPain during the session, 0–10; null where it was not told
 * @param tighter which side felt tighter, by the place of the item; null where nothing was told
 * @param provoked where pain rose, as item and side; null where nothing was told
 * @param tooStrong where a stretch was felt above its ceiling; null where nothing was told
 * @param skipped why an item was left out, by its place; null where nothing was told
 * @param stretchFelt on the 0–10 stretch scale; null where it was not told
 */
public record CheckInUpload(
    @NotNull UUID uploadId,
    @NotNull UUID sessionUploadId,
    @Nullable Integer highestPain,
    @Nullable Integer stretchFelt,
    @Nullable @Size(max = 60) Map<@NotNull Integer, @NotNull Tighter> tighter,
    @Nullable @Size(max = 120) List<@NotNull @Pattern(regexp = ItemSide.FORM) String> provoked,
    @Nullable @Size(max = 120) List<@NotNull @Pattern(regexp = ItemSide.FORM) String> tooStrong,
    @Nullable @Size(max = 60) Map<@NotNull Integer, @NotNull SkipReason> skipped,
    @NotNull @Size(max = 1000) String note) {

  /** What was told, with what was not told as empty. */
  CheckIn told(String ownWords) {
    return new CheckIn(
        Optional.ofNullable(highestPain),
        Optional.ofNullable(stretchFelt),
        tighter == null ? Map.of() : tighter,
        ItemSide.all(provoked == null ? List.of() : provoked),
        ItemSide.all(tooStrong == null ? List.of() : tooStrong),
        skipped == null ? Map.of() : skipped,
        ownWords);
  }
}
