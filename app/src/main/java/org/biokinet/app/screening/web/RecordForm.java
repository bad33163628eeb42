package org.biokinet.app.screening.web;

import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What is recorded about a screening, as it is typed.
 *
 * @param medical the medical outcome, or empty
 * @param neck yes or no by question of the C-Spine Rule; empty where it was not filled in
 */
record RecordForm(
    @NotEmpty(message = BOTH) @Size(max = LONGEST, message = MOST) String examined,
    @NotEmpty(message = BOTH) @Size(max = LONGEST, message = MOST) String found,
    @Size(max = LONGEST, message = MOST) String medical,
    Map<String, String> neck) {

  private static final int LONGEST = 500;
  private static final String BOTH = "Write both: what you examined, and what you found.";
  private static final String MOST = "At most 500 characters in each.";

  RecordForm {
    examined = text(examined);
    found = text(found);
    medical = text(medical);
    neck = neck == null ? Map.of() : Map.copyOf(neck);
  }

  private static String text(@Nullable String sent) {
    return Objects.requireNonNullElse(sent, "").strip();
  }
}
