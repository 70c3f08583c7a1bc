package ebbtide.formats;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The formats' house rules: streams in, records out; no folder of one format on that of another in a circle. */
class ArchitectureTest {
    private static final JavaClasses FORMATS = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("ebbtide.formats");

    @Test
    void formats_knowNoSpringSqlFilesOrNet() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "java.sql..",
                        "java.nio.file..",
                        "java.net..",
                        "ebbtide.app..",
                        "ebbtide.sim..")
                .orShould()
                .dependOnClassesThat()
                .belongToAnyOf(java.time.Clock.class, java.util.Random.class)
                .check(FORMATS);
    }

    @Test
    void formats_doNotNeedEachOtherInACircle() {
        slices().matching("ebbtide.formats.(*)..").should().beFreeOfCycles().check(FORMATS);
    }
}
