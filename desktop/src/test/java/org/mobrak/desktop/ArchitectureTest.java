package org.mobrak.desktop;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.name;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import org.junit.jupiter.api.Test;
import org.mobrak.desktop.parts.Texts;

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
                .resideInAnyPackage("org.mobrak.link..", "java.sql..", "org.springframework..")
                .check(PAGES);
    }

    /** The build leaves the theme's rules for these out; whoever wants one takes it out of {@code left.out} in the module's pom. */
    @Test
    void noPageHasAControlThatTheThemeHasNoRulesFor() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .haveNameMatching(
                        "javafx\\.scene\\.(chart\\..*|web\\..*|control\\.(Tab|TabPane|Accordion|Table.*|Tree.*|Slider|Pagination"
                                + "|ToolBar|MenuBar|SplitMenuButton|ChoiceBox|ColorPicker|Radio.*|ProgressIndicator|Dialog.*|Alert))")
                .orShould()
                .dependOnClassesThat()
                .resideInAPackage("atlantafx..")
                .check(PAGES);
    }

    @Test
    void whatIsShownGoesThroughOneGate() {
        noClasses()
                .that()
                .doNotHaveFullyQualifiedName(Texts.class.getName())
                .and()
                .doNotHaveFullyQualifiedName(Screenshots.class.getName())
                .should()
                .callMethodWhere(target(owner(assignableTo(Labeled.class))).and(target(name("setText"))))
                .orShould()
                .callMethodWhere(target(owner(assignableTo(Node.class))).and(target(name("setAccessibleText"))))
                .orShould()
                .callMethodWhere(target(owner(assignableTo(Node.class))).and(target(name("setAccessibleHelp"))))
                .orShould()
                .callConstructor(Tooltip.class, String.class)
                .orShould()
                .callConstructor(MenuItem.class, String.class)
                .check(PAGES);
    }
}
