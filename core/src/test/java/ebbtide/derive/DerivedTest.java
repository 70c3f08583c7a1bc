package ebbtide.derive;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Values are worked out once, and taken over where they read the same. */
class DerivedTest {
    private final List<String> worked = new ArrayList<>();

    private record Reads(String text, int times) {}

    private String repeat(Reads reads) {
        worked.add(reads.text());
        return reads.text().repeat(reads.times());
    }

    private String ask(Derived<Reads, String> derived, String name, String text, int times) {
        return derived.of(name, () -> new Reads(text, times), this::repeat);
    }

    @Test
    void value_isWorkedOutOnce_andAgainOnlyWhereItReadsSomethingElse() {
        Derived<Reads, String> first = Derived.none();
        assertThat(ask(first, "a", "x", 2)).isEqualTo("xx");
        String b = ask(first, "b", "y", 3);
        ask(first, "a", "x", 2);
        assertThat(worked).containsExactly("x", "y");
        Derived<Reads, String> next = first.next();
        assertThat(ask(next, "a", "x", 3)).isEqualTo("xxx");
        assertThat(ask(next, "b", "y", 3)).isSameAs(b);
        assertThat(worked).as("a reads another number, b the same").containsExactly("x", "y", "x");
        assertThat(ask(first, "a", "x", 2))
                .as("what was known before stays as it was")
                .isEqualTo("xx");
    }

    /** Only the last generation is taken over from: what it did not ask for is worked out again. */
    @Test
    void valueThatAGenerationDidNotAskFor_isLetGo() {
        Derived<Reads, String> first = Derived.none();
        ask(first, "a", "x", 2);
        ask(first.next().next(), "a", "x", 2);
        assertThat(worked).containsExactly("x", "x");
    }

    /** A rule may ask for other values on its way, of the same kind too. */
    @Test
    void rule_mayAskForOtherValues() {
        Derived<Integer, Integer> sums = Derived.none();
        assertThat(sumTo(sums, 200)).isEqualTo(20_100);
    }

    private static int sumTo(Derived<Integer, Integer> sums, int n) {
        return n == 0 ? 0 : sums.of(Integer.toString(n), () -> sumTo(sums, n - 1), before -> before + n);
    }

    @Test
    void lazy_askedByManyAtOnce_isTheSameForAll() {
        AtomicInteger times = new AtomicInteger();
        Lazy<List<Integer>> lazy = Lazy.of(() -> List.of(times.incrementAndGet()));
        List<List<Integer>> seen =
                IntStream.range(0, 64).parallel().mapToObj(i -> lazy.get()).toList();
        assertThat(seen).allSatisfy(one -> assertThat(one).isSameAs(lazy.get()));
    }
}
