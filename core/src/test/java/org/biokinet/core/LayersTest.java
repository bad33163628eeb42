package org.biokinet.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The arrows inside core point upwards only, and core knows neither web, database nor clock. */
class LayersTest {

  /** Each package may use those before it. */
  private static final List<String> ORDER =
      List.of(
          "anatomy",
          "document",
          "dose",
          "exercise",
          "figure.body",
          "figure.draw",
          "search",
          "program",
          "timeline",
          "ledger",
          "screening",
          "measure",
          "session",
          "calendar",
          "workday",
          "progress",
          "planning",
          "advice",
          "cli");

  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("org.biokinet.core");

  @Test
  void aPackageImportsOnlyPackagesAboveIt() {
    for (int i = 0; i < ORDER.size(); i++) {
      for (String later : ORDER.subList(i + 1, ORDER.size())) {
        noClasses()
            .that()
            .resideInAPackage("org.biokinet.core." + ORDER.get(i))
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.biokinet.core." + later)
            .check(CORE);
      }
    }
    classes()
        .should()
        .resideInAnyPackage(
            ORDER.stream().map(p -> "org.biokinet.core." + p).toArray(String[]::new))
        .check(CORE);
    slices().matching("org.biokinet.core.(*)..").should().beFreeOfCycles().check(CORE);
  }

  @Test
  void coreKnowsNoFrameworkAndReadsNoClock() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.springframework..", "jakarta..", "java.sql..", "java.net.http..")
        .check(CORE);
    noClasses()
        .should()
        .callMethod(Instant.class, "now")
        .orShould()
        .callMethod(LocalDate.class, "now")
        .orShould()
        .dependOnClassesThat()
        .areAssignableTo(Clock.class)
        .orShould()
        .dependOnClassesThat()
        .areAssignableTo(Random.class)
        .check(CORE);
  }
}
