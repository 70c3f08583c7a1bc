package ebbtide.sim;

import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Charging;
import ebbtide.plan.Covenant;
import ebbtide.plan.Covenant.Every;
import ebbtide.plan.Covenant.PastMonth;
import ebbtide.plan.Covenant.Ratio;
import ebbtide.plan.DayCount;
import ebbtide.plan.Direction;
import ebbtide.plan.Interest;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Steps;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermLoan;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.jspecify.annotations.Nullable;

/**
 * How the demo company is funded: a revolving facility for the spring, a loan that buys the lease of the north beds,
 * the year's surplus put away for half a year, and what the bank asks for. A poor autumn last year leaves September
 * with little cover of its interest.
 */
final class DemoFunding {
    private static final LocalDate BOUGHT = LocalDate.of(2026, 4, 15);
    private static final long PRICE = 64_000_000;
    private static final LocalDate PUT_AWAY = LocalDate.of(2026, 12, 1);
    private static final long RESERVE = 12_000_000;
    /** EBITDA of April 2025 to February 2026, in minor units. */
    static final List<Long> EBITDA = LongStream.of(-195, 62, 98, 92, 104, 38, -7, 60, 64, 118, -20)
            .map(thousands -> thousands * 100_000)
            .boxed()
            .toList();

    private DemoFunding() {}

    /** Returns a plan with its facility, loan and deposit, their interest, the beds that are bought, and covenants. */
    static Plan of(Plan plan) {
        List<Line> lines = new ArrayList<>(plan.lines().stream()
                .map(line ->
                        line.assumption() instanceof CapitalSpending spending ? line.with(withBeds(spending)) : line)
                .toList());
        lines.add(line(
                "facility",
                "Tidewater facility",
                new Revolving(
                        steps(35_000_000L),
                        true,
                        LocalDate.of(2026, 3, 1),
                        LocalDate.of(2029, 2, 28),
                        steps(Percent.parse("3.75")),
                        steps(Percent.parse("2.4")),
                        steps(Percent.parse("0.45")),
                        2_500_000,
                        2,
                        Steps.none(),
                        new Charging(DayCount.ACT_365F, Charging.Often.QUARTER, true),
                        new Revolving.Drawn(DemoPlan.AS_OF, 0, 0))));
        lines.add(interest("facility-interest", "Facility interest", Interest.Of.LINE, "facility"));
        lines.add(line(
                "loan",
                "Beds loan",
                new TermLoan(
                        TermLoan.By.EQUAL_INSTALMENTS,
                        new TermLoan.Balance(BOUGHT, PRICE, 0),
                        false,
                        steps(Percent.parse("6.2")),
                        LocalDate.of(2026, 5, 31),
                        84,
                        1,
                        0,
                        null,
                        Convention.FOLLOWING,
                        List.of(),
                        List.of(),
                        true,
                        480_000)));
        lines.add(interest("loan-interest", "Interest on the beds loan", Interest.Of.LINE, "loan"));
        lines.add(line(
                "reserve",
                "Reserve on deposit",
                new TermDeposit(
                        PUT_AWAY,
                        RESERVE,
                        null,
                        PUT_AWAY.plusMonths(6),
                        null,
                        steps(Percent.parse("3.15")),
                        DayCount.ACT_365F,
                        0,
                        null,
                        null)));
        lines.add(line(
                "vans",
                "Delivery vans on lease",
                new Lease(
                        Lease.Treatment.RIGHT_OF_USE,
                        LocalDate.of(2026, 9, 1),
                        5_400_000,
                        0,
                        Percent.parse("6.9"),
                        48,
                        1,
                        false,
                        600_000,
                        800_000,
                        0,
                        new Lease.Taxed(Percent.parse("20"), Percent.HUNDRED, false),
                        true,
                        Convention.FOLLOWING,
                        null)));
        lines.add(interest("vans-interest", "Interest of the vans", Interest.Of.LINE, "vans"));
        lines.add(interest("reserve-interest", "Interest on the reserve", Interest.Of.DEPOSIT, "reserve"));
        lines.add(interest("overdraft-interest", "Overdraft interest", Interest.Of.OVERDRAFT, null));
        return new Plan(plan.settings().withCovenants(covenants(), pastMonths()), lines, plan.buoys());
    }

    private static CapitalSpending withBeds(CapitalSpending spending) {
        List<CapitalSpending.Asset> assets = new ArrayList<>(spending.assets());
        assets.add(new CapitalSpending.Asset(
                "Lease of the north beds",
                SalesTax.NONE,
                List.of(new DatedAmount(BOUGHT, PRICE, "on signing")),
                0,
                LocalDate.of(2026, 4, 30),
                240,
                0,
                null,
                null));
        return new CapitalSpending(assets, spending.convention());
    }

    private static Line line(String id, String name, ebbtide.plan.Assumption assumption) {
        return new Line(id, null, name, Direction.PAYMENT, true, null, "", assumption, List.of());
    }

    private static Line interest(String id, String name, Interest.Of of, @Nullable String lineId) {
        return line(id, name, new Interest(of, lineId, new Charging(DayCount.ACT_365F, Charging.Often.QUARTER, true)));
    }

    private static <T> Steps<T> steps(T value) {
        return Steps.from(LocalDate.of(2025, 1, 1), value);
    }

    private static List<Covenant> covenants() {
        return List.of(
                covenant("liquidity", "Least liquidity", Ratio.LEAST_LIQUIDITY, "30000000", Every.MONTH),
                covenant("leverage", "Net debt to EBITDA", Ratio.NET_DEBT_TO_EBITDA, "3.5", Every.QUARTER),
                covenant("cover", "Interest cover", Ratio.INTEREST_COVER, "2.5", Every.QUARTER),
                covenant("current", "Current ratio", Ratio.CURRENT_RATIO, "1.25", Every.QUARTER));
    }

    private static Covenant covenant(String id, String name, Ratio ratio, String bound, Every every) {
        return new Covenant(id, name, ratio, new BigDecimal(bound), every);
    }

    private static SortedMap<YearMonth, PastMonth> pastMonths() {
        SortedMap<YearMonth, PastMonth> past = new TreeMap<>();
        for (int i = 0; i < EBITDA.size(); i++) {
            past.put(YearMonth.of(2025, 4).plusMonths(i), new PastMonth(EBITDA.get(i), 0, 0, 0, 0));
        }
        return past;
    }
}
