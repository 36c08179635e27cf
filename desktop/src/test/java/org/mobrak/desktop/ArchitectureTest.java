package org.mobrak.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The window draws values and calls the application. */
class ArchitectureTest {
    private static final JavaClasses PAGES = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.mobrak.desktop");

    @Test
    void noPageReadsStoresOrPlansItself() {
        noClasses()
                .that()
                .resideOutsideOfPackage("org.mobrak.desktop")
                .should()
                .dependOnClassesThat()
                .haveNameMatching(
                        "org\\.mobrak\\.core\\.(logbook\\.(Logbook|Workspace|Materials)|catalogue\\.file\\.(CatalogueLoader|CatalogueMerge|CatalogueCache)"
                                + "|plan\\.Planner|fit\\.FitCheck|material\\.reader\\..*|identity\\.reader\\.(ReadingParser|TextIntake))")
                .orShould()
                .dependOnClassesThat()
                .resideInAnyPackage("org.mobrak.link..", "java.sql..", "org.jdbi..")
                .check(PAGES);
    }
}
