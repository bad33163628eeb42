package org.biokinet.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.util.Date;
import org.biokinet.app.support.AdjustableClock;
import org.junit.jupiter.api.Test;

/** The arrows between the packages of the application. */
class LayersTest {

  private static final JavaClasses APP =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("org.biokinet.app");

  @Test
  void capabilitiesDependOnEachOtherInOneDirection() {
    slices().matching("org.biokinet.app.(*)..").should().beFreeOfCycles().check(APP);
  }

  @Test
  void supportKnowsNoCapability() {
    noClasses()
        .that()
        .resideInAPackage("..app.support..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "..app.account..", "..app.client..", "..app.program..", "..app.session..")
        .check(APP);
  }

  @Test
  void onlyTheClockBeanReadsTheTime() {
    for (Class<?> type :
        new Class<?>[] {
          Instant.class,
          LocalDate.class,
          LocalDateTime.class,
          OffsetDateTime.class,
          ZonedDateTime.class
        }) {
      noClasses()
          .that()
          .doNotBelongToAnyOf(AdjustableClock.class)
          .should()
          .callMethod(type, "now")
          .check(APP);
    }
    noClasses().should().callMethod(System.class, "currentTimeMillis").check(APP);
    noClasses().should().callConstructor(Date.class).check(APP);
  }
}
