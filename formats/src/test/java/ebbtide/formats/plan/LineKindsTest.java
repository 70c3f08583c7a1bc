package ebbtide.formats.plan;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.formats.document.Kinds.Kind;
import ebbtide.formats.plan.kinds.LineKinds;
import ebbtide.plan.Assumption;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Every kind of line is read and written, under the word that it has for itself. */
class LineKindsTest {
    @Test
    void everyKindOfLine_isInTheList() {
        assertThat(LineKinds.ALL.all().stream().map(one -> one.type().getName()))
                .containsExactlyInAnyOrder(names());
    }

    private static String[] names() {
        return Stream.of(Assumption.class.getPermittedSubclasses())
                .map(Class::getName)
                .toArray(String[]::new);
    }

    @Test
    void everyKindOfTheExamples_hasTheWordItIsListedUnder() throws IOException {
        Set<String> found = new HashSet<>();
        try (Stream<Path> files = Files.list(Path.of("../docs/examples"))) {
            for (Path file :
                    files.filter(one -> one.toString().endsWith(".json")).toList()) {
                try (InputStream in = Files.newInputStream(file)) {
                    PlanReader.read(in).plan().lines().forEach(line -> {
                        assertThat(line.assumption().kind())
                                .isEqualTo(LineKinds.ALL.of(line.assumption()).word());
                        found.add(line.assumption().kind());
                    });
                }
            }
        }
        assertThat(found)
                .containsAll(LineKinds.ALL.all().stream()
                        .map(Kind::word)
                        .filter(word -> !word.equals("group"))
                        .toList());
    }
}
