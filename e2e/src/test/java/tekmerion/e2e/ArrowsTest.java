package tekmerion.e2e;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.RestController;

/** The module arrows: core ← link ← probe, sim, server. */
class ArrowsTest {
  private static final JavaClasses CLASSES =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("tekmerion");

  /** As many as any service needs today; fewer are better, and none may need more. */
  private static final int CROWD = 12;

  /** Numbers that need not be there. */
  private static final Set<String> MAY_BE_NONE =
      Set.of(
          "Reading.jobId",
          "Intake.jobId",
          "Answers.customerId",
          "Answers.machineId",
          "BatteryView.partId",
          "KnownMachine.customerId",
          "Run.partId");

  @Test
  void coreKnowsOnlyItselfJavaAReaderOfDataAndDistributions() {
    ArchRule rule =
        noClasses()
            .that()
            .resideInAPackage("tekmerion.core..")
            .should()
            .dependOnClassesThat()
            .resideOutsideOfPackages(
                "tekmerion.core..",
                "tekmerion.words..",
                "java..",
                "tools.jackson..",
                "org.apache.commons.statistics..");
    rule.check(CLASSES);
  }

  @Test
  void wordsKnowNothingOfWhatIsSaid() {
    noClasses()
        .that()
        .resideInAPackage("tekmerion.words..")
        .should()
        .dependOnClassesThat()
        .resideOutsideOfPackages("tekmerion.words..", "java..", "tools.jackson..", "com.ibm.icu..")
        .check(CLASSES);
  }

  /** One that begins transactions in another way would not do again those that lost to others. */
  @Test
  void transactionsBeginInOnePlace() {
    noClasses()
        .that()
        .resideOutsideOfPackage("tekmerion.server.transaction..")
        .should()
        .dependOnClassesThat()
        .haveFullyQualifiedName(TransactionTemplate.class.getName())
        .check(CLASSES);
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

  /** Two boxed numbers that are equal need not be the same, above 127 (JLS 5.1.7). */
  @Test
  void numbersOfThingsThatAreThereAreNoObjects() {
    methods()
        .that()
        .areDeclaredInClassesThat()
        .resideInAPackage("tekmerion..")
        .and()
        .haveNameMatching("id|.+Id")
        .should(haveNoBoxedTypeUnlessNullable())
        .check(CLASSES);
  }

  private static ArchCondition<JavaMethod> haveNoBoxedTypeUnlessNullable() {
    return new ArchCondition<>("return no boxed number that is never null") {
      @Override
      public void check(JavaMethod method, ConditionEvents events) {
        boolean boxed =
            method.getRawReturnType().isAssignableTo(Number.class)
                && !MAY_BE_NONE.contains(
                    method.getOwner().getSimpleName() + "." + method.getName());
        if (boxed) {
          events.add(SimpleConditionEvent.violated(method, method.getFullName() + " is boxed"));
        }
      }
    };
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
          .resideInAnyPackage("tekmerion.sim..", "tekmerion.demo..")
          .check(CLASSES);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"core", "link", "sim", "probe", "server"})
  void noPackageIsInACircle(String module) {
    slices()
        .matching("tekmerion.%s.(*)..".formatted(module))
        .should()
        .beFreeOfCycles()
        .check(CLASSES);
  }

  /** Evidence and runs below the weighing, that below decisions; what comes in stands on top. */
  @Test
  void featuresOfTheServerDependDownwardsOnly() {
    String[] order = {"evidence", "run", "weighing", "permit", "decision", "ask", "inbox"};
    for (int low = 0; low < order.length; low++) {
      for (int high = low + 1; high < order.length; high++) {
        noClasses()
            .that()
            .resideInAPackage("tekmerion.server.%s..".formatted(order[low]))
            .should()
            .dependOnClassesThat()
            .resideInAPackage("tekmerion.server.%s..".formatted(order[high]))
            .check(CLASSES);
      }
    }
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

  @Test
  void controllersHoldNoSql() {
    noClasses()
        .that()
        .areAnnotatedWith(RestController.class)
        .should()
        .dependOnClassesThat()
        .haveFullyQualifiedName(JdbcClient.class.getName())
        .orShould()
        .dependOnClassesThat()
        .haveFullyQualifiedName(EntityManager.class.getName())
        .check(CLASSES);
  }

  /** Who needs more has more than one thing to do. */
  @Test
  void noServiceNeedsACrowd() {
    classes()
        .that()
        .resideInAnyPackage("tekmerion.server..", "tekmerion.demo..")
        .and()
        .areMetaAnnotatedWith(Component.class)
        .should(
            new ArchCondition<JavaClass>("be given at most %d collaborators".formatted(CROWD)) {
              @Override
              public void check(JavaClass type, ConditionEvents events) {
                type.getConstructors()
                    .forEach(
                        made -> {
                          int given = made.getRawParameterTypes().size();
                          events.add(
                              new SimpleConditionEvent(
                                  type,
                                  given <= CROWD,
                                  "%s is given %d".formatted(type.getName(), given)));
                        });
              }
            })
        .check(CLASSES);
  }
}
