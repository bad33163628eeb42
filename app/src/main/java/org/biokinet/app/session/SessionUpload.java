package org.biokinet.app.session;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.session.Eased;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Pressed;
import org.jspecify.annotations.Nullable;

/**
 * A session as the player sends it.
 *
 * @param uploadId made by the player; sending the same again changes nothing
 * @param revision counts up when the client puts right how it ended, or goes on with it; null from
 *     a player that could not
 * @param program which of the client's two; a player from before there were two says nothing
 * @param version of it that was performed
 * @param lead the side that went first
 * @param length how much of the program; a player from before there were lengths says nothing
 * @param paused the items that waited, by their place; null from a player that knew of none
 * @param reEntry whether the doses were those of somebody who begins again after a pause; null from
 *     a player that knew of none
 * @param beginning the doses with which it began; null from a player that knew of none
 * @param startedAt by the device's clock, with its offset
 * @param zone the device's time zone
 * @param painBefore 0–10; null where it was not told
 * @param done seconds spent in each segment of the timeline, in order
 * @param reason in the client's words, when stopped
 * @param eased what was made easier from some moment on, as item and side, with what was done in
 *     its place; null from a player that could not
 * @param pressed back, on, too strong, in their order; null from a player that told nothing of it
 */
public record SessionUpload(
    @NotNull UUID uploadId,
    @Nullable Integer revision,
    @Nullable ProgramKind program,
    int version,
    @NotNull Side lead,
    @Nullable SessionLength length,
    @Nullable @Size(max = 60) List<@NotNull Integer> paused,
    @Nullable Boolean reEntry,
    @Nullable Beginning beginning,
    @NotNull OffsetDateTime startedAt,
    @NotNull String zone,
    @Nullable Integer painBefore,
    @NotNull Ended ended,
    @NotNull String reason,
    @NotNull @Size(max = 20_000) List<@NotNull Integer> done,
    @Nullable @Size(max = 120) List<@NotNull @Pattern(regexp = Eased.FORM) String> eased,
    @Nullable @Size(max = 1000) List<@NotNull @Pattern(regexp = Pressed.FORM) String> pressed) {

  public Set<Eased> easier() {
    return Eased.all(eased == null ? List.of() : eased);
  }

  public List<Pressed> allPressed() {
    return Pressed.all(pressed == null ? List.of() : pressed);
  }

  public ProgramVersion.Name versionDone() {
    return new ProgramVersion.Name(program == null ? ProgramKind.MAIN : program, version);
  }

  public int revised() {
    return revision == null ? 0 : revision;
  }

  public Set<Integer> waiting() {
    return paused == null ? Set.of() : Set.copyOf(paused);
  }

  public Beginning begun() {
    if (beginning != null) return beginning;
    return Boolean.TRUE.equals(reEntry) ? Beginning.RE_ENTRY : Beginning.AS_SHARED;
  }

  public SessionLength lengthDone() {
    return length == null ? SessionLength.USUAL : length;
  }
}
