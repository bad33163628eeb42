package org.biokinet.app.session;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;

/**
 * The three answers after a session.
 *
 * @param sessionUploadId the session they are about; it may arrive later
 * @param highestPain during the session, 0–10
 * @param stretchFelt on the 0–10 stretch scale
 */
public record CheckInUpload(
    @NotNull UUID uploadId,
    @NotNull UUID sessionUploadId,
    int highestPain,
    int stretchFelt,
    @NotNull @Size(max = 1000) String note) {}
