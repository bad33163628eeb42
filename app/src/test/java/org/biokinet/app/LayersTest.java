package org.biokinet.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import jakarta.persistence.Entity;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Date;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.app.platform.AdjustableClock;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.data.repository.Repository;
import org.springframework.modulith.core.ApplicationModules;
import org.springframework.stereotype.Controller;

/** The house of the application, held. */
class LayersTest {

  private static final JavaClasses APP =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("org.biokinet.app");

  /**
   * Each module uses only those that its package-info names, only what lies in their root package,
   * and none goes round in a circle.
   */
  @Test
  void modulesUseWhatTheySayTheyUse() {
    ApplicationModules modules = ApplicationModules.of(BiokinetApplication.class);
    assertThat(modules.stream()).hasSizeGreaterThan(10);
    modules.verify();
  }

  @Test
  void rowsStayInside() {
    classes()
        .that()
        .areAnnotatedWith(Entity.class)
        .should()
        .resideInAPackage("..internal")
        .check(APP);
    classes()
        .that()
        .resideOutsideOfPackage("..internal")
        .should(
            new ArchCondition<>("hand out no row") {
              @Override
              public void check(JavaClass type, ConditionEvents events) {
                boolean ofARepository =
                    type.getEnclosingClass()
                        .filter(e -> e.isAssignableTo(Repository.class))
                        .isPresent();
                if (ofARepository) return;
                for (JavaMethod m : type.getMethods()) {
                  if (!m.getModifiers().contains(JavaModifier.PUBLIC)) continue;
                  boolean row =
                      m.getReturnType().getAllInvolvedRawTypes().stream()
                          .anyMatch(t -> t.isAnnotatedWith(Entity.class));
                  if (row && type.getModifiers().contains(JavaModifier.PUBLIC)) {
                    events.add(SimpleConditionEvent.violated(m, m.getFullName()));
                  }
                }
              }
            })
        .check(APP);
  }

  /** Pages turn a request into one call of a service and what a template shows. */
  @Test
  void pagesAskServices() {
    classes()
        .that()
        .areAnnotatedWith(Controller.class)
        .and()
        .resideOutsideOfPackage("..platform..")
        .should()
        .resideInAPackage("org.biokinet.app..web")
        .check(APP);
    noClasses()
        .that()
        .resideInAPackage("org.biokinet.app..web")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("..internal")
        .orShould()
        .dependOnClassesThat()
        .areAssignableTo(Repository.class)
        .check(APP);
    noClasses()
        .that()
        .resideOutsideOfPackage("org.biokinet.app..web")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("org.biokinet.app..web")
        .check(APP);
  }

  /** A rule has its home in core: templates compare no names of enums. */
  @Test
  void noTemplateHasARule() throws IOException {
    Pattern rule = Pattern.compile("name\\(\\)\\s*[!=]=|\\bT\\(|[!=]=\\s*'[A-Z_]{2,}'");
    List<String> found = new ArrayList<>();
    for (Resource template :
        new PathMatchingResourcePatternResolver().getResources("classpath:templates/**/*.html")) {
      Matcher m = rule.matcher(template.getContentAsString(StandardCharsets.UTF_8));
      while (m.find()) found.add(template.getFilename() + ": " + m.group());
    }
    assertThat(found).isEmpty();
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
