package tekmerion.e2e;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** The module arrows: core ← link ← probe, sim, server. */
class ArrowsTest {
  private static final JavaClasses CLASSES =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("tekmerion");

  @Test
  void coreKnowsOnlyItselfJavaAReaderOfDataAndDistributions() {
    ArchRule rule =
        noClasses()
            .that()
            .resideInAPackage("tekmerion.core..")
            .should()
            .dependOnClassesThat()
            .resideOutsideOfPackages(
                "tekmerion.core..", "java..", "tools.jackson..", "org.apache.commons.statistics..");
    rule.check(CLASSES);
  }

  @Test
  void coreTakesNoFilesAndNoNetworkButThroughPorts() {
    noClasses()
        .that()
        .resideInAPackage("tekmerion.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.net..", "java.nio.file..", "java.sql..")
        .check(CLASSES);
  }

  /** Moments come in as values; what time it is now, core never asks by itself. */
  @Test
  void coreNeverReadsTheClock() {
    noClasses()
        .that()
        .resideInAPackage("tekmerion.core..")
        .should()
        .callMethod(Instant.class, "now")
        .orShould()
        .callMethod(LocalDate.class, "now")
        .orShould()
        .callMethod(System.class, "currentTimeMillis")
        .orShould()
        .callMethod(System.class, "nanoTime")
        .orShould()
        .dependOnClassesThat()
        .areAssignableTo(Clock.class)
        .check(CLASSES);
  }

  @Test
  void linkKnowsOnlyCore() {
    noClasses()
        .that()
        .resideInAPackage("tekmerion.link..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "tekmerion.probe..", "tekmerion.sim..", "tekmerion.server..", "tekmerion.launch..")
        .check(CLASSES);
  }

  @Test
  void simKnowsOnlyCoresPagesAndPorts() {
    noClasses()
        .that()
        .resideInAPackage("tekmerion.sim..")
        .should()
        .dependOnClassesThat()
        .resideOutsideOfPackages(
            "tekmerion.sim..",
            "tekmerion.core.page..",
            "tekmerion.core.port..",
            "tools.jackson.databind..",
            "java..",
            "javax.imageio..")
        .check(CLASSES);
  }

  @Test
  void probeServerAndLauncherDoNotKnowEachOther() {
    String[] programs = {"tekmerion.probe..", "tekmerion.server..", "tekmerion.launch.."};
    for (String one : programs) {
      for (String other : programs) {
        if (!one.equals(other)) {
          noClasses()
              .that()
              .resideInAPackage(one)
              .should()
              .dependOnClassesThat()
              .resideInAPackage(other)
              .check(CLASSES);
        }
      }
      noClasses()
          .that()
          .resideInAPackage(one)
          .should()
          .dependOnClassesThat()
          .resideInAPackage("tekmerion.sim..")
          .check(CLASSES);
    }
  }

  @Test
  void noPackageOfCoreIsInACircle() {
    slices().matching("tekmerion.core.(*)..").should().beFreeOfCycles().check(CLASSES);
  }

  @Test
  void gatesNeverAskProbabilities() {
    noClasses()
        .that()
        .resideInAPackage("tekmerion.core.permit..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("tekmerion.core.weigh..")
        .check(CLASSES);
  }
}
