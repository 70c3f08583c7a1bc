package ebbtide.sim;

import static ebbtide.sim.DemoLines.pounds;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.PayAccount;
import ebbtide.books.Books;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Buoy;
import ebbtide.plan.Certainty;
import ebbtide.plan.Facility;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.PayDays;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Settings;
import ebbtide.plan.SourceDocument;
import ebbtide.plan.Steps;
import ebbtide.plan.Threshold;
import ebbtide.time.Period;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/** What Skerrywick Shellfish Ltd assumes: a grower and shipper of oysters, mussels and kelp that nobody will find. */
final class DemoPlan {
    static final Books NO_BOOKS = Books.of(List.of());
    static final LocalDate AS_OF = LocalDate.of(2026, 3, 1);

    private DemoPlan() {}

    /** Returns the plan as the company keeps it: funded, and with the lines of the ledger on books. */
    static Plan plan() {
        Plan plan = DemoFunding.of(planned());
        return new Plan(
                plan.settings(),
                plan.lines().stream()
                        .map(line -> DemoLedger.LINES.contains(line.id())
                                ? line.with(((Assumption.Stream) line.assumption()).on(Basis.BOOKS))
                                : line)
                        .toList(),
                plan.buoys());
    }

    /** Returns the plan with each line on its pattern: what the world is made from. */
    static Plan planned() {
        return Known.PLANNED;
    }

    /** Made when it is first asked for: each of the past weeks asks anew. */
    private static final class Known {
        static final Plan PLANNED = make();
    }

    private static Plan make() {
        Settings settings = new Settings(
                "Skerrywick Shellfish Ltd",
                Money.currency("GBP"),
                AS_OF,
                DayOfWeek.MONDAY,
                Month.APRIL,
                Settings.DEFAULT_HORIZON_MONTHS,
                AmountSteps.FIRST_DAY,
                Steps.from(LocalDate.of(2025, 1, 1), pounds(200_000)),
                new Facility(
                        "Harbour overdraft",
                        Steps.from(LocalDate.of(2025, 1, 1), pounds(250_000)),
                        Steps.from(LocalDate.of(2025, 1, 1), Percent.parse("7.9"))),
                Set.of(Certainty.CERTAIN, Certainty.LIKELY),
                Set.of(Certainty.values()),
                Steps.from(LocalDate.of(2025, 1, 1), Percent.parse("1.2")),
                List.of(),
                List.of(
                        new SourceDocument("Payroll of February", true),
                        new SourceDocument("Boatyard's quote for the refit", false)));
        settings = settings.withExplained(new Threshold(pounds(2_000), Percent.parse("10")));
        List<Buoy> buoys = List.of(new Buoy(
                "buoy-refit",
                "boat-refit",
                week(LocalDate.of(2026, 4, 27)),
                "Yard's quote is from last autumn: ask for a firm one"));
        return withWhatWasOwed(new Plan(settings, DemoLines.all(), buoys));
    }

    /**
     * Takes what the plan itself makes of the days up to the as-of date for what was owed then, as a person would at
     * first.
     */
    static Plan withWhatWasOwed(Plan plan) {
        return new Plan(
                plan.settings(),
                plan.lines().stream().map(line -> withWhatWasOwed(plan, line)).toList(),
                plan.buoys());
    }

    private static Line withWhatWasOwed(Plan plan, Line line) {
        SortedMap<YearMonth, Long> owed = new TreeMap<>();
        if (line.assumption() instanceof SalesTaxSettlement tax) {
            Accounts.of(plan, NO_BOOKS).salesTax(line).periods().stream()
                    .filter(period -> period.beganBy(plan.settings().asOf()))
                    .forEach(period -> owed.put(period.last(), period.proposed()));
            return line.with(tax.withOwed(owed));
        }
        if (line.assumption() instanceof Pay pay) {
            paidSinceAugust(plan, line).paidOver().stream()
                    .filter(month -> month.proposed() != 0)
                    .forEach(month -> owed.put(month.month(), month.proposed()));
            return line.with(new Pay(pay.roles(), pay.days(), pay.paidOver().withOwed(owed)));
        }
        return line;
    }

    /**
     * Returns the pay with the pay days before the books begin: of those nothing is owed to staff, but what was
     * withheld is still paid over.
     */
    static PayAccount paidSinceAugust(Plan plan, Line line) {
        Pay pay = (Pay) line.assumption();
        PayDays days = pay.days();
        Line since = line.with(new Pay(
                pay.roles(),
                new PayDays(days.often(), days.anchor().minusWeeks(4), days.secondDay(), days.convention()),
                pay.paidOver()));
        return Accounts.of(
                        new Plan(
                                plan.settings(),
                                plan.lines().stream()
                                        .map(one -> one.id().equals(line.id()) ? since : one)
                                        .toList(),
                                plan.buoys()),
                        NO_BOOKS)
                .pay(since);
    }

    private static Period week(LocalDate monday) {
        return new Period(monday, monday.plusWeeks(1));
    }
}
