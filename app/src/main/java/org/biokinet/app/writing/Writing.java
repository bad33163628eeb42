package org.biokinet.app.writing;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A text about a client: the note of a visit, or a letter.
 *
 * @param day what it is of, or when it was begun, in the client's zone
 * @param to whom a letter goes, line by line; empty for a note
 * @param head what stands above a letter; of a signed one as it was then
 * @param signed empty while it is a draft, which only its author sees
 * @param amends the signed one that it puts right
 * @param version counts up with every change, for one author in two windows
 */
public record Writing(
    UUID id,
    Kind kind,
    LocalDate day,
    String to,
    List<String> head,
    List<Section> sections,
    UUID byId,
    String by,
    Instant made,
    Optional<Instant> signed,
    Optional<UUID> amends,
    int version) {

  /** As much as a section holds. */
  public static final int LONGEST_SECTION = 6000;

  public static final int LONGEST_TO = 400;

  /** What sort of text. */
  public enum Kind {
    NOTE("Visit note"),
    REFERRER("Letter to the referrer"),
    PROGRESS("Progress letter"),
    DISCHARGE("Discharge summary");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }

    /** Whether it leaves the house. */
    public boolean letter() {
      return this != NOTE;
    }
  }

  /** What stands under one heading; empty ones are not printed. */
  public record Section(String heading, String text) {

    public boolean empty() {
      return text.isBlank();
    }

    public List<String> lines() {
      return text.lines().toList();
    }
  }

  public Writing {
    head = List.copyOf(head);
    sections = List.copyOf(sections);
  }

  /** The same as the id, for templates. */
  public UUID getId() {
    return id;
  }

  public List<String> toLines() {
    return to.lines().toList();
  }

  /** What is printed of it. */
  public List<Section> printed() {
    return sections.stream().filter(s -> !s.empty()).toList();
  }
}
