package ebbtide;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The core's house rules: nothing of the outside in it, and each package uses only those above it. */
class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("ebbtide");

  @Test
  void core_knowsNoSpringJsonSqlFilesClockOrRandomness() {
    noClasses().should().dependOnClassesThat().resideInAnyPackage("org.springframework..", "tools.jackson..",
        "com.fasterxml..", "java.sql..", "javax.sql..", "java.io..", "java.nio..", "java.net..", "de.siegmar..")
        .orShould().dependOnClassesThat().belongToAnyOf(java.time.Clock.class, java.util.Random.class,
            java.util.concurrent.ThreadLocalRandom.class)
        .check(CORE);
  }

  @Test
  void core_takesNoTimeOfDayFromTheMachine() {
    noClasses().should().callMethod(java.time.LocalDate.class, "now").orShould().callMethod(java.time.Instant.class, "now")
        .check(CORE);
  }

  @Test
  void packages_useOnlyThoseAboveThem() {
    layeredArchitecture().consideringOnlyDependenciesInLayers()
        .layer("money").definedBy("ebbtide.money..").layer("time").definedBy("ebbtide.time..")
        .layer("plan").definedBy("ebbtide.plan..").layer("books").definedBy("ebbtide.books..")
        .layer("activity").definedBy("ebbtide.activity..").layer("timing").definedBy("ebbtide.timing..")
        .layer("funding").definedBy("ebbtide.funding..").layer("forecast").definedBy("ebbtide.forecast..")
        .layer("statements").definedBy("ebbtide.statements..")
        .layer("track").definedBy("ebbtide.track..")
        .whereLayer("track").mayNotBeAccessedByAnyLayer()
        .whereLayer("statements").mayOnlyBeAccessedByLayers("track")
        .whereLayer("forecast").mayOnlyBeAccessedByLayers("statements", "track")
        .whereLayer("funding").mayOnlyBeAccessedByLayers("forecast", "statements", "track")
        .whereLayer("timing").mayOnlyBeAccessedByLayers("funding", "forecast", "statements", "track")
        .whereLayer("activity").mayOnlyBeAccessedByLayers("timing", "funding", "forecast", "statements", "track")
        .whereLayer("books").mayOnlyBeAccessedByLayers("activity", "timing", "funding", "forecast", "statements", "track")
        .whereLayer("plan").mayOnlyBeAccessedByLayers("books", "activity", "timing", "funding", "forecast", "statements", "track")
        .check(CORE);
    slices().matching("ebbtide.(*)..").should().beFreeOfCycles().check(CORE);
  }
}
