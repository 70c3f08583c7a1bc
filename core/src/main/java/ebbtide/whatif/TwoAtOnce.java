package ebbtide.whatif;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;

/**
 * A measure over two dials turned at once (rules 11.7): the values of each, the present ones among them, and a cell for
 * each pair, row by row; nothing where the plan refuses the two.
 */
public record TwoAtOnce(Dial down, Dial across, List<Long> rows, List<Long> columns, List<List<Optional<Long>>> cells) {

    /**
     * Returns the grid of so many values each.
     *
     * @throws Refused where that is no odd number from 3 to 9
     */
    public static TwoAtOnce of(Forecast base, Dial down, Dial across, int count, Measure measure) {
        Check.inRange(count, 3, 9, "values of each");
        Check.that(count % 2 == 1, "the present value stands amidst the others: say 3, 5, 7 or 9 of each");
        List<Long> rows = down.values(count);
        List<Long> columns = across.values(count);
        List<Optional<Long>> all = LongStream.range(0, (long) rows.size() * columns.size())
                .parallel()
                .mapToObj(i -> level(
                        base,
                        down,
                        across,
                        rows.get((int) (i / columns.size())),
                        columns.get((int) (i % columns.size())),
                        measure))
                .toList();
        return new TwoAtOnce(
                down,
                across,
                rows,
                columns,
                LongStream.range(0, rows.size())
                        .mapToObj(row -> all.subList((int) row * columns.size(), (int) (row + 1) * columns.size()))
                        .toList());
    }

    private static Optional<Long> level(Forecast base, Dial down, Dial across, long row, long column, Measure measure) {
        try {
            return Optional.of(measure.of(Forecaster.forecast(
                            ScenarioPlan.checked(across.turned(base, down.turned(base, row), column)),
                            base.books(),
                            base))
                    .minor());
        } catch (Refused refused) {
            return Optional.empty();
        }
    }
}
