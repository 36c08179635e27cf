package org.mobrak.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The command line takes words apart and prints values; what they mean is the application's. */
class ArchitectureTest {
    private static final JavaClasses COMMANDS = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.mobrak.cli");

    @Test
    void noCommandReadsStoresOrPlansItself() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .haveNameMatching(
                        "org\\.mobrak\\.core\\.(logbook\\.(?!transfer\\.Imported|search\\.(?:Found|Hit)|remind\\.Reminder(?!s|Cal)|WorkspaceCheck).*|catalogue\\.file\\.Catalogue(Merge|Cache)|plan\\.(Planner|PlanSearch|Replay)"
                                + "|fit\\.FitCheck|identity\\.reader\\.(ReadingParser|TextIntake)|material\\.reader\\..*)")
                .orShould()
                .dependOnClassesThat()
                .resideInAnyPackage("org.mobrak.link", "org.mobrak.desktop..", "javafx..", "java.sql..")
                .orShould()
                .dependOnClassesThat()
                .haveNameMatching("org\\.mobrak\\.link\\.bench\\.(BenchFolder|BenchState|Stimulus.*|MadeFiles)")
                .check(COMMANDS);
    }
}
