package org.biokinet.app.session.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.platform.Row;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.Due;
import org.jspecify.annotations.Nullable;

/** On which days a client does a program. */
@Entity
@Table(name = "chosen_days")
@SuppressWarnings("UnusedVariable") // by these it is found
public class ChosenDaysRow extends Row {
  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private ProgramKind program;

  private String days = "";
  private @Nullable LocalDate movedFrom;
  private @Nullable LocalDate movedTo;

  @SuppressWarnings("NullAway.Init")
  protected ChosenDaysRow() {}

  public ChosenDaysRow(UUID clientId, ProgramKind program) {
    this.clientId = clientId;
    this.program = program;
  }

  /** Empty where only a day was changed for another. */
  public Set<DayOfWeek> days() {
    Set<DayOfWeek> all = EnumSet.noneOf(DayOfWeek.class);
    if (!days.isEmpty()) {
      Arrays.stream(days.split(" ", -1))
          .map(d -> DayOfWeek.of(Integer.parseInt(d)))
          .forEach(all::add);
    }
    return all;
  }

  public void choose(Set<DayOfWeek> chosen) {
    days = chosen.stream().sorted().map(d -> "" + d.getValue()).collect(Collectors.joining(" "));
    movedFrom = null;
    movedTo = null;
  }

  public Optional<Due.Move> moved() {
    LocalDate from = movedFrom;
    LocalDate to = movedTo;
    return from == null || to == null ? Optional.empty() : Optional.of(new Due.Move(from, to));
  }

  public void move(Due.Move move) {
    movedFrom = move.from();
    movedTo = move.to();
  }
}
