package ebbtide.track;

import ebbtide.books.OpenItem;
import ebbtide.books.Payment;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * How far the forecast of counterparties' open items was off (rules 10.4): what was known of each, against what was
 * paid on any of its items.
 */
final class PartyErrors {
    private record Party(Direction direction, String name) {}

    private record Paid(Party party, long minor) {}

    private final int leads;
    private final Map<String, Direction> directions = new HashMap<>();
    private final TreeMap<LocalDate, List<Paid>> paid = new TreeMap<>();
    private final Map<Party, ForecastError[][]> errors = new HashMap<>();

    PartyErrors(Outturn facts, int leads) {
        this.leads = leads;
        for (Line line : facts.plan().lines()) {
            directions.put(line.id(), line.direction());
            for (Payment one : facts.settling(line.id(), LocalDate.MIN, facts.asOf())) {
                OpenItem item = facts.item(one.itemId());
                if (item != null) {
                    paid.computeIfAbsent(one.day(), day -> new ArrayList<>())
                            .add(new Paid(new Party(line.direction(), item.counterparty()), one.minor()));
                }
            }
        }
    }

    void add(Snapshot snapshot, List<Period> ahead) {
        for (int lead = 0; lead < ahead.size(); lead++) {
            Period period = ahead.get(lead);
            Map<Party, long[]> sums = new HashMap<>();
            for (Snapshot.KeptItem item : snapshot.items()) {
                Direction direction = directions.get(item.lineId());
                if (item.minor() != 0 && direction != null) {
                    LocalDate due = item.due().isAfter(snapshot.asOf())
                            ? item.due()
                            : snapshot.asOf().plusDays(1);
                    long forecast = period.contains(item.paidOn()) ? item.minor() : 0;
                    long byDue = period.contains(due) ? item.minor() : 0;
                    if (forecast != 0 || byDue != 0) {
                        add(sums, new Party(direction, item.counterparty()), forecast, 0, byDue);
                    }
                }
            }
            paid.subMap(period.startInclusive(), period.endExclusive())
                    .values()
                    .forEach(day -> day.forEach(one -> add(sums, one.party(), 0, one.minor(), 0)));
            for (Map.Entry<Party, long[]> one : sums.entrySet()) {
                int sign = one.getKey().direction().sign();
                ForecastError[][] all = errors.computeIfAbsent(one.getKey(), party -> new ForecastError[2][leads]);
                all[0][lead] = (all[0][lead] == null ? ForecastError.NONE : all[0][lead])
                        .plus(one.getValue()[0], one.getValue()[1], sign);
                all[1][lead] = (all[1][lead] == null ? ForecastError.NONE : all[1][lead])
                        .plus(one.getValue()[2], one.getValue()[1], sign);
            }
        }
    }

    private static void add(Map<Party, long[]> sums, Party party, long forecast, long happened, long byDue) {
        long[] sum = sums.computeIfAbsent(party, any -> new long[3]);
        sum[0] += forecast;
        sum[1] += happened;
        sum[2] += byDue;
    }

    List<MeasuredRow> rows(int longest) {
        List<ForecastError> none = Collections.nCopies(longest, ForecastError.NONE);
        return errors.entrySet().stream()
                .map(one -> new MeasuredRow(
                        "party " + one.getKey().direction() + " " + one.getKey().name(),
                        one.getKey().name(),
                        one.getKey().direction(),
                        0,
                        false,
                        list(one.getValue()[0], longest),
                        none,
                        list(one.getValue()[1], longest)))
                .sorted(Comparator.comparingLong((MeasuredRow row) -> -row.errors().stream()
                                .mapToLong(ForecastError::missed)
                                .sum())
                        .thenComparing(MeasuredRow::name))
                .toList();
    }

    private static List<ForecastError> list(ForecastError[] errors, int longest) {
        List<ForecastError> list = new ArrayList<>();
        for (int lead = 0; lead < longest; lead++) {
            list.add(errors[lead] == null ? ForecastError.NONE : errors[lead]);
        }
        return list;
    }
}
