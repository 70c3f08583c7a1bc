package ebbtide.answers;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What moving an item does to low water is what the forecast says once it is moved, over random plans and books. */
class ChaseAndHoldTest {
    /** Of few plans some have no chance at all: so many are looked at, however few are asked. */
    private static final int LOOKED_AT = Math.max(60, Asked.of(200));

    @Test
    void someOfThePlansAbove_haveChancesOfBothKinds() {
        int most = (LOOKED_AT * 5 + 199) / 200;
        assertThat(withChances(Direction.RECEIPT)).isGreaterThan(most);
        assertThat(withChances(Direction.PAYMENT)).isGreaterThan(most);
    }

    private static long withChances(Direction direction) {
        return LongStream.range(0, LOOKED_AT)
                .mapToObj(RandomPlans::of)
                .map(some -> Forecaster.forecast(some.plan(), some.books()))
                .filter(forecast -> !ChaseAndHold.of(forecast, direction, 14).isEmpty())
                .count();
    }

    static LongStream seeds() {
        return LongStream.range(0, Asked.of(200));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyChance_keptAsTyped_liftsLowWaterByWhatWasSaid(long seed) {
        RandomPlans.Case some = RandomPlans.of(seed);
        Forecast forecast = Forecaster.forecast(some.plan(), some.books());
        for (Direction direction : Direction.values()) {
            List<ChaseAndHold.Chance> chances = ChaseAndHold.of(forecast, direction, 14);
            assertThat(chances)
                    .isSortedAccordingTo(Comparator.comparingLong(ChaseAndHold.Chance::lift)
                            .reversed()
                            .thenComparing(one -> one.row().item().id()));
            for (ChaseAndHold.Chance chance : chances) {
                OpenItem item = chance.row().item();
                List<OpenItem> kept = new ArrayList<>(some.books().items().all());
                kept.replaceAll(one -> one.id().equals(item.id())
                        ? item.with(new Handling(
                                chance.to(),
                                item.handling().promised(),
                                item.handling().standing(),
                                item.handling().note()))
                        : one);
                Forecast then = Forecaster.forecast(
                        some.plan(),
                        some.books()
                                .with(OpenItems.of(kept)
                                        .settled(some.books().items().settled())));
                assertThat(then.lowWater())
                        .as("%s of seed %d", item.number(), seed)
                        .isEqualTo(chance.lowWater());
                assertThat(then.lowWater().headroom() - forecast.lowWater().headroom())
                        .isEqualTo(chance.lift())
                        .isPositive();
                boolean sooner = direction == Direction.RECEIPT;
                assertThat(
                                sooner
                                        ? !chance.to()
                                                .isAfter(chance.row().expected().day())
                                        : chance.to()
                                                .isAfter(chance.row().expected().day()))
                        .isTrue();
            }
        }
    }
}
