package org.biokinet.app.session;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * The three answers after a session.
 *
 * @param sessionUploadId the session they are about; it may arrive later
 * @param highestPain during the session, 0–10; null where it was not told
 * @param stretchFelt on the 0–10 stretch scale; null where it was not told
 */
public record CheckInUpload(
    @NotNull UUID uploadId,
    @NotNull UUID sessionUploadId,
    @Nullable Integer highestPain,
    @Nullable Integer stretchFelt,
    @NotNull @Size(max = 1000) String note) {}
