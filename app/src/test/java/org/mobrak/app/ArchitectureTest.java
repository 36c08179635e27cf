package org.mobrak.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.mobrak.app");

    @Test
    void theApplicationKnowsNoWindowAndNoShell() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "javafx..",
                        "java.awt..",
                        "javax.swing..",
                        "picocli..",
                        "org.mobrak.cli..",
                        "org.mobrak.desktop..")
                .check(APP);
        slices().matching("org.mobrak.app.(*)..").should().beFreeOfCycles().check(APP);
    }
}
