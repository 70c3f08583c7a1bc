package ebbtide.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import org.junit.jupiter.api.Test;
import org.springframework.web.bind.annotation.RestController;

/**
 * The application's house rules: SQL in storage alone, which knows nothing of what asks it; plans are changed at the
 * desk, which knows no HTTP; each controller stands by itself.
 */
class ArchitectureTest {
    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("ebbtide.app");

    @Test
    void sql_isKnownInStorageAlone_whichKnowsNothingOfWhatAsksIt() {
        noClasses()
                .that()
                .resideOutsideOfPackage("ebbtide.app.storage")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework.jdbc..", "java.sql..")
                .check(APP);
        noClasses()
                .that()
                .resideInAPackage("ebbtide.app.storage")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "ebbtide.app.desk..", "ebbtide.app.api..", "ebbtide.app.jobs..", "ebbtide.app.access..")
                .check(APP);
    }

    @Test
    void desk_knowsNoRequestsAndNobodyWhoAsksIt() {
        noClasses()
                .that()
                .resideInAPackage("ebbtide.app.desk")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "ebbtide.app.api..",
                        "ebbtide.app.jobs..",
                        "ebbtide.app.access..",
                        "org.springframework.web..",
                        "org.springframework.http..",
                        "io.swagger..")
                .check(APP);
        noClasses()
                .that()
                .resideInAnyPackage("ebbtide.app.desk", "ebbtide.app.jobs", "ebbtide.app.storage")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework.web.bind..",
                        "org.springframework.web.context..",
                        "org.springframework.web.multipart..",
                        "jakarta.servlet..")
                .check(APP);
    }

    @Test
    void api_changesWhatIsStoredAtTheDeskAlone() {
        noClasses()
                .that()
                .resideInAPackage("ebbtide.app.api")
                .should()
                .callMethodWhere(
                        DescribedPredicate.describe(
                                "what is stored is changed",
                                call -> call.getTargetOwner().getPackageName().equals("ebbtide.app.storage")
                                        && call.getName()
                                                .matches(
                                                        "(put|add|remove|restore|archive|set|mark|carry|lock|begin|lay|takeUp)([A-Z].*)?")))
                .check(APP);
    }

    @Test
    void controllers_standEachByItself() {
        ArchRuleDefinition.classes()
                .that()
                .areAnnotatedWith(RestController.class)
                .should(new ArchCondition<>("name no other controller") {
                    @Override
                    public void check(JavaClass one, ConditionEvents events) {
                        one.getDirectDependenciesFromSelf().stream()
                                .filter(to -> to.getTargetClass().isAnnotatedWith(RestController.class)
                                        && !to.getTargetClass().equals(one))
                                .forEach(to -> events.add(SimpleConditionEvent.violated(to, to.getDescription())));
                    }
                })
                .check(APP);
    }

    @Test
    void api_reachesStorageThroughWhatItIsGiven() {
        noClasses()
                .that()
                .resideInAPackage("ebbtide.app.api")
                .should()
                .callConstructorWhere(DescribedPredicate.describe(
                        "a store is made",
                        call -> call.getTargetOwner().getPackageName().equals("ebbtide.app.storage")
                                && call.getTargetOwner().getSimpleName().endsWith("Store")))
                .check(APP);
    }
}
