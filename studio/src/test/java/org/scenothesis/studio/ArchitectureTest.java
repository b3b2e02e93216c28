package org.scenothesis.studio;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.fields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.Architectures;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// The rooms and the ways between them, held by test.
class ArchitectureTest {
    private static JavaClasses all;

    @BeforeAll
    static void read() {
        all = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("org.scenothesis");
    }

    @Test
    void arrowsPointOneWay() {
        Architectures.layeredArchitecture().consideringOnlyDependenciesInLayers()
                .layer("core").definedBy("org.scenothesis.core..")
                .layer("media").definedBy("org.scenothesis.media..")
                .layer("production").definedBy("org.scenothesis.production..")
                .layer("demo").definedBy("org.scenothesis.demo..")
                .layer("cli").definedBy("org.scenothesis.cli..")
                .layer("studio").definedBy("org.scenothesis.studio..")
                .whereLayer("studio").mayNotBeAccessedByAnyLayer()
                .whereLayer("cli").mayNotBeAccessedByAnyLayer()
                .whereLayer("production").mayOnlyBeAccessedByLayers("demo", "cli", "studio")
                .whereLayer("demo").mayOnlyBeAccessedByLayers("cli")
                .whereLayer("media").mayOnlyBeAccessedByLayers("production", "demo", "cli", "studio")
                .check(all);
    }

    @Test
    void onlyVisionSeesOpenCv() {
        noClasses().that().resideOutsideOfPackage("org.scenothesis.core.vision..").should().dependOnClassesThat()
                .resideInAPackage("org.bytedeco.opencv..").check(all);
    }

    @Test
    void onlyMediaSeesFfmpeg() {
        noClasses().that().resideOutsideOfPackage("org.scenothesis.media..").should().dependOnClassesThat()
                .resideInAPackage("org.bytedeco.ffmpeg..").check(all);
    }

    @Test
    void theCoreKnowsNoFilesNoWindowsNoClock() {
        noClasses().that().resideInAPackage("org.scenothesis.core..").should().dependOnClassesThat()
                .resideInAnyPackage("java.io..", "java.nio.file..", "javafx..", "com.fasterxml..").check(all);
        noClasses().that().resideInAPackage("org.scenothesis.core..").should().callMethodWhere(
                DescribedPredicate.describe("asks what time it is", call ->
                        call.getTarget().getOwner().getPackageName().startsWith("java.time") && call.getTarget().getName().equals("now")
                                || call.getTarget().getFullName().startsWith("java.lang.System.currentTimeMillis")
                                || call.getTarget().getOwner().getFullName().equals("java.time.Clock"))).check(all);
    }

    @Test
    void theCommandLineNeverSeesAWindow() {
        noClasses().that().resideInAnyPackage("org.scenothesis.cli..", "org.scenothesis.production..", "org.scenothesis.media..").should()
                .dependOnClassesThat().resideInAPackage("javafx..").check(all);
    }

    @Test
    void modelsOfBenchesSeeNoScene() {
        noClasses().that().haveSimpleNameEndingWith("Model").and().resideInAPackage("org.scenothesis.studio..").should()
                .dependOnClassesThat().resideInAnyPackage("javafx.scene..", "javafx.stage..", "javafx.concurrent..").check(all);
        classes().that().haveSimpleName("Session").should().onlyDependOnClassesThat()
                .resideOutsideOfPackages("javafx.scene..", "javafx.stage..").check(all);
    }

    @Test
    void benchesDoNotKnowEachOther() {
        noClasses().that().resideInAPackage("org.scenothesis.studio.house..").or().resideInAPackage("org.scenothesis.studio.parts..")
                .should().dependOnClassesThat().resideInAnyPackage(
                        "org.scenothesis.studio.board..", "org.scenothesis.studio.breakdown..", "org.scenothesis.studio.stage..",
                        "org.scenothesis.studio.watch..", "org.scenothesis.studio.shoot..", "org.scenothesis.studio.match..",
                        "org.scenothesis.studio.key..", "org.scenothesis.studio.layer..", "org.scenothesis.studio.handover..")
                .check(all);
        slices().matching("org.scenothesis.studio.(board|breakdown|stage|shoot|match|key|layer|handover)..").should().notDependOnEachOther()
                .check(all);
    }

    @Test
    void theDocumentRestsOnNoSolver() {
        noClasses().that().resideInAnyPackage("org.scenothesis.core.shot..", "org.scenothesis.core.stage",
                "org.scenothesis.core.stage.piece..",
                "org.scenothesis.core.value..").should().dependOnClassesThat().resideInAnyPackage("org.scenothesis.core.key..",
                        "org.scenothesis.core.follow..", "org.scenothesis.core.light..", "org.scenothesis.core.match..",
                        "org.scenothesis.core.perspective..", "org.scenothesis.core.background..", "org.scenothesis.core.moving..",
                        "org.scenothesis.core.compare..", "org.scenothesis.core.layer..", "org.scenothesis.core.breakdown..",
                        "org.scenothesis.core.rehearsal..", "org.scenothesis.core.vision..").check(all);
    }

    @Test
    void noRoomAtAnyLevelGoesInCircles() {
        slices().matching("org.scenothesis.(**)").should().beFreeOfCycles().check(all);
    }

    @Test
    void noStaticCanChange() {
        fields().that().areDeclaredInClassesThat().resideInAnyPackage("org.scenothesis.core..", "org.scenothesis.media..",
                "org.scenothesis.production..")
                .and().haveModifier(JavaModifier.STATIC).should().haveModifier(JavaModifier.FINAL).check(all);
    }
}
