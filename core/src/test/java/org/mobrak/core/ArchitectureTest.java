package org.mobrak.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.fields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The house keeps its shape: what the core may know, and that data flows one way. */
class ArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.mobrak.core");

    /** The order of the data's way; a package may use those before it. */
    private static final List<String> WAY = List.of(
            "identity",
            "identity.reader",
            "identity.build",
            "identity.check",
            "catalogue",
            "catalogue.trouble",
            "catalogue.file",
            "catalogue.match",
            "catalogue.browse",
            "material",
            "material.reader",
            "fit",
            "material.check",
            "plan",
            "job",
            "gather",
            "proof",
            "mend.patch",
            "mend",
            "learn.page",
            "learn.reading",
            "learn",
            "learn.form",
            "logbook",
            "logbook.transfer",
            "logbook.search",
            "logbook.remind",
            "logbook.history");

    @Test
    void everyPackageOfTheCoreHasItsPlaceOnTheWay() {
        List<String> found = CORE.stream()
                .map(type -> type.getPackageName().replaceFirst("org\\.mobrak\\.core\\.?", ""))
                .filter(name -> !name.isEmpty())
                .distinct()
                .collect(Collectors.toList());
        assertThat(found).containsExactlyInAnyOrderElementsOf(WAY);
    }

    @Test
    void noPackageLooksAhead() {
        for (int i = 0; i < WAY.size(); i++) {
            String[] ahead = WAY.subList(i + 1, WAY.size()).stream()
                    .map(name -> "org.mobrak.core." + name)
                    .toArray(String[]::new);
            if (ahead.length > 0) {
                noClasses()
                        .that()
                        .resideInAPackage("org.mobrak.core." + WAY.get(i))
                        .should()
                        .dependOnClassesThat()
                        .resideInAnyPackage(ahead)
                        .check(CORE);
            }
        }
        slices().matching("org.mobrak.core.(**)").should().beFreeOfCycles().check(CORE);
    }

    @Test
    void coreKnowsNoScreenNoProcessAndNoNetwork() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..", "java.net..", "javax.net..")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.lang.ProcessBuilder")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.lang.Runtime")
                .orShould()
                .dependOnClassesThat()
                .resideInAnyPackage("org.mobrak.link..", "org.mobrak.cli..", "org.mobrak.desktop..")
                .check(CORE);
    }

    @Test
    void timeComesInThroughParametersAndNothingStaticChanges() {
        noClasses()
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(java.time.LocalDate.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.util.Random")
                .check(CORE);
        fields().that().areStatic().should().beFinal().check(CORE);
    }
}
