package ebbtide;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** The core's house rules: nothing of the outside in it, and each package uses only those above it. */
class ArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("ebbtide");

    @Test
    void core_knowsNoSpringJsonSqlFilesClockOrRandomness() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "tools.jackson..",
                        "com.fasterxml..",
                        "java.sql..",
                        "javax.sql..",
                        "java.io..",
                        "java.nio.file..",
                        "java.nio.channels..",
                        "java.net..",
                        "de.siegmar..")
                .orShould()
                .dependOnClassesThat()
                .belongToAnyOf(
                        java.time.Clock.class, java.util.Random.class, java.util.concurrent.ThreadLocalRandom.class)
                .check(CORE);
    }

    /** Bank holidays alone come from it (docs/decisions/0018). */
    @Test
    void strata_isUsedForTheDaysOnWhichBanksWorkAlone() {
        noClasses()
                .that()
                .doNotHaveFullyQualifiedName("ebbtide.time.BusinessDays")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("com.opengamma..", "com.google..", "org.joda..")
                .check(CORE);
    }

    @Test
    void core_takesNoTimeOfDayFromTheMachine() {
        noClasses()
                .should()
                .callMethod(java.time.LocalDate.class, "now")
                .orShould()
                .callMethod(java.time.Instant.class, "now")
                .check(CORE);
    }

    /** From the top down: each uses only what stands before it. */
    private static final List<String> PACKAGES = List.of(
            "derive",
            "money",
            "time",
            "plan",
            "books",
            "activity",
            "billing",
            "items",
            "accounts",
            "flows",
            "funding",
            "forecast",
            "workings",
            "answers",
            "statements",
            "years",
            "track",
            "whatif",
            "chance");

    @Test
    void packages_useOnlyThoseAboveThem() {
        for (int i = 0; i < PACKAGES.size(); i++) {
            noClasses()
                    .that()
                    .resideInAPackage("ebbtide." + PACKAGES.get(i))
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(PACKAGES.subList(i + 1, PACKAGES.size()).stream()
                            .map(one -> "ebbtide." + one)
                            .toArray(String[]::new))
                    .allowEmptyShould(false)
                    .check(CORE);
        }
        noClasses()
                .that()
                .resideInAPackage("ebbtide.track")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("ebbtide.statements")
                .check(CORE);
        assertThat(CORE.stream()
                        .map(one -> one.getPackageName().substring("ebbtide.".length()))
                        .distinct())
                .containsExactlyInAnyOrderElementsOf(PACKAGES);
    }

    /** Inside a package too: no two files need each other, but for the members of a sealed family. */
    @Test
    void files_ofAPackage_needEachOtherInOneDirectionOnly() {
        Map<String, Set<String>> needs = new TreeMap<>();
        for (JavaClass one : CORE) {
            for (Dependency dependency : one.getDirectDependenciesFromSelf()) {
                JavaClass other = dependency.getTargetClass().getBaseComponentType();
                if (other.getPackageName().equals(one.getPackageName())
                        && !file(one).equals(file(other))
                        && !isFamily(one, other)
                        && !isFamily(other, one)) {
                    needs.computeIfAbsent(file(one), name -> new TreeSet<>()).add(file(other));
                }
            }
        }
        List<String> circles = needs.keySet().stream()
                .filter(file -> reached(needs, file).contains(file))
                .toList();
        assertThat(circles)
                .as("files that need each other, directly or on the way")
                .isEmpty();
    }

    private static String file(JavaClass one) {
        JavaClass outermost = one;
        while (outermost.getEnclosingClass().isPresent()) {
            outermost = outermost.getEnclosingClass().get();
        }
        return outermost.getName();
    }

    private static boolean isFamily(JavaClass one, JavaClass other) {
        Class<?>[] members = one.reflect().getPermittedSubclasses();
        return members != null && Arrays.asList(members).contains(other.reflect());
    }

    private static Set<String> reached(Map<String, Set<String>> needs, String from) {
        Set<String> found = new HashSet<>();
        Deque<String> open = new ArrayDeque<>(needs.get(from));
        while (!open.isEmpty()) {
            String at = open.pop();
            if (found.add(at)) {
                open.addAll(needs.getOrDefault(at, Set.of()));
            }
        }
        return found;
    }
}
