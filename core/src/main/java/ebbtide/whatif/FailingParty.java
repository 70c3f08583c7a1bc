package ebbtide.whatif;

import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Alteration;
import ebbtide.plan.DayRange;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A counterparty that fails: none of its items is paid, and of each stream on books its share of what was invoiced in
 * the year up to the as-of date does not come any more, from the next whole month on.
 */
record FailingParty(Forecast base, Plan plan, String by, Target.OfCounterparty party) {
    private static final int PLACES = 4;

    /**
     * Returns the plan without it.
     *
     * @throws Refused where no line has an item of it
     */
    Plan failed() {
        Plan changed = plan;
        for (Line line : plan.lines()) {
            if (line.direction() == party.direction() && line.assumption().keepsItems() && plan.isActive(line)) {
                List<OpenItem> items = base.books().items().of(line.id());
                if (items.stream().anyMatch(item -> item.counterparty().equals(party.name()))) {
                    Line without = line.altered(new Alteration.Fails(by, party.name()));
                    changed =
                            changed.with(line.findStream().isPresent() ? without.altered(rest(share(items))) : without);
                }
            }
        }
        Check.that(changed != plan, "No line has an item of '" + party.name() + "'");
        return changed;
    }

    private Alteration rest(Percent share) {
        YearMonth next = YearMonth.from(plan.settings().asOf()).plusMonths(1);
        return new Alteration.Amounts(
                by, Alteration.Kind.SCALE, Percent.WHOLE - share.millionths(), new DayRange(next.atDay(1), null), "");
    }

    private Percent share(List<OpenItem> items) {
        LocalDate asOf = plan.settings().asOf();
        BigDecimal own = BigDecimal.ZERO;
        BigDecimal all = BigDecimal.ZERO;
        for (OpenItem item : items) {
            if (item.kind() == OpenItem.Kind.INVOICE
                    && !item.supplied().isAfter(asOf)
                    && item.supplied().isAfter(asOf.minusYears(1))) {
                BigDecimal net = BigDecimal.valueOf(item.amount().net());
                all = all.add(net);
                own = item.counterparty().equals(party.name()) ? own.add(net) : own;
            }
        }
        return all.signum() == 0
                ? Percent.ZERO
                : Percent.of(own.movePointRight(2).divide(all, PLACES, RoundingMode.HALF_UP));
    }

    /** What is open of a counterparty, signed by nothing: the largest debtors come first. */
    record Open(String name, long minor) {}

    /** Returns the counterparties of receipts that owe most, the largest first. */
    static List<Open> largest(Forecast base, int most) {
        Map<String, Long> open = new LinkedHashMap<>();
        for (Line line : base.plan().lines()) {
            if (line.direction() == ebbtide.plan.Direction.RECEIPT) {
                base.items()
                        .of(line)
                        .forEach(item -> open.merge(
                                item.item().counterparty(), item.item().signedOpen(), Long::sum));
            }
        }
        List<Open> all = new ArrayList<>();
        open.forEach((name, minor) -> all.add(new Open(name, minor)));
        all.sort(Comparator.comparingLong(Open::minor).reversed());
        return all.subList(0, Math.min(most, all.size()));
    }
}
