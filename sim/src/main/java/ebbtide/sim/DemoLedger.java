package ebbtide.sim;

import static java.util.Objects.requireNonNull;

import ebbtide.activity.ActivityCalculator;
import ebbtide.activity.MonthlyActivity;
import ebbtide.money.Money;
import ebbtide.money.Split;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.SalesTax;
import ebbtide.sim.LedgerEntry.Paid;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The demo company's ledger, from summer 2025 to the end of the simulated time: the invoices and bills of the lines
 * that are on books, and when they are paid. Each counterparty has a habit of its own, some pay several at once, some
 * in parts, a few things are surprises.
 */
final class DemoLedger {
    static final List<String> LINES = List.of("restaurants", "grocery", "seed");
    private static final Currency POUND = Money.currency("GBP");
    private static final BusinessDays UK = BusinessDays.ofCountry("GB");
    private static final Map<String, Integer> USUALLY_LATE = Map.of(
            "Gullrock Hotels",
            11,
            "Otter & Vine",
            -2,
            "The Limpet Room",
            4,
            "Pellmoor Inns",
            19,
            "Tern Street Kitchens",
            1,
            "Fennick Stores",
            6,
            "Marlowe & Daughters Grocers",
            0,
            "Quillby Markets",
            14,
            "Penhallow Hatchery",
            2,
            "Ropewalk Marine Gear",
            5);
    private static final Set<String> TOGETHER = Set.of("Gullrock Hotels", "Quillby Markets");
    private static final long KEPT = 1_500;
    private final Plan plan;
    private final Random random = new Random(20260302);
    private final List<LedgerEntry> entries = new ArrayList<>();

    private DemoLedger(Plan plan) {
        this.plan = plan;
    }

    /** Returns every entry up to the end of the simulated time, in order of issue. */
    static List<LedgerEntry> entries(Plan plan) {
        DemoLedger ledger = new DemoLedger(plan);
        LINES.forEach(line -> ledger.line(plan.findLine(line).orElseThrow()));
        ledger.entries.sort(Comparator.comparing(LedgerEntry::issued).thenComparing(LedgerEntry::number));
        return List.copyOf(ledger.entries);
    }

    private void line(Line line) {
        MonthlyActivity activity = new ActivityCalculator(plan).planned(line);
        String letters = line.direction().sign() > 0 ? "SI-" : "PB-";
        int number = 1000 * (7 + LINES.indexOf(line.id()));
        for (YearMonth month = YearMonth.from(DemoBank.FIRST_DAY).minusMonths(2);
                !month.isAfter(YearMonth.from(DemoBank.LAST_DAY));
                month = month.plusMonths(1)) {
            long amount = activity.in(Timeline.monthNumber(month));
            boolean known = !month.atEndOfMonth().isAfter(DemoPlan.AS_OF);
            for (long part : parts(line, known ? amount : amount * (940 + random.nextInt(121)) / 1000)) {
                entries.add(entry(line, letters + ++number, UK.nextOrSame(month.atDay(1 + random.nextInt(24))), part));
            }
        }
    }

    private long[] parts(Line line, long amount) {
        int parties = DemoBank.parties(line.id()).size();
        long gross = line.assumption().tax().grossOf(amount);
        return gross == 0
                ? new long[0]
                : Split.byWeights(
                        gross,
                        random.longs(parties + random.nextInt(parties * 2), 40, 160)
                                .toArray());
    }

    /** Due after thirty days and paid as its counterparty usually does; one in eight was ordered six weeks before. */
    private LedgerEntry entry(Line line, String number, LocalDate issued, long gross) {
        List<String> parties = DemoBank.parties(line.id());
        String party = parties.get(random.nextInt(parties.size()));
        LocalDate due = issued.plusDays(30);
        SalesTax tax = line.assumption().tax();
        long taxed =
                tax.taxOf(tax.amountsAreGross() ? gross : gross - tax.rate().withinGross(gross));
        LocalDate ordered = random.nextInt(8) == 0 ? issued.minusDays(42) : null;
        return new LedgerEntry(
                line.id(), number, party, ordered, issued, due, gross, taxed, payments(line, party, due, gross));
    }

    private List<Paid> payments(Line line, String party, LocalDate due, long gross) {
        long late = requireNonNull(USUALLY_LATE.get(party))
                + Math.round(random.nextGaussian() * 3)
                + (random.nextInt(25) == 0 ? 35 : 0);
        LocalDate paid = UK.nextOrSame(
                TOGETHER.contains(party)
                        ? due.plusDays(late).with(TemporalAdjusters.nextOrSame(DayOfWeek.THURSDAY))
                        : due.plusDays(late));
        int chance = random.nextInt(60);
        boolean receipt = line.direction().sign() > 0;
        if (TOGETHER.contains(party)) {
            return List.of(new Paid(paid, gross, 0));
        }
        if (chance == 0 && receipt && paid.isAfter(DemoPlan.AS_OF.minusMonths(1))) {
            return List.of();
        }
        if (chance < 4) {
            long first = gross * 6 / 10;
            return List.of(new Paid(paid, first, 0), new Paid(UK.nextOrSame(paid.plusDays(14)), gross - first, 0));
        }
        return chance < 7 && receipt ? List.of(new Paid(paid, gross - KEPT, KEPT)) : List.of(new Paid(paid, gross, 0));
    }

    /**
     * Returns a line's list as of a day, knowing what its banks booked up to another (the ledger enters a payment on
     * the business day after): what was issued or ordered by then, paid or open.
     */
    static String list(List<LedgerEntry> entries, Line line, LocalDate day, LocalDate bookedUpTo) {
        StringBuilder text = new StringBuilder(
                        line.direction().sign() > 0 ? "Invoice No,Customer" : "Bill number,Supplier")
                .append(",Type,Invoice date,Delivery date,Due date,Gross amount,VAT,Outstanding,Paid on\n");
        for (LedgerEntry one : entries) {
            if (!one.lineId().equals(line.id())) {
                continue;
            }
            boolean issued = !one.issued().isAfter(day);
            if (one.ordered() != null && !one.ordered().isAfter(day)) {
                row(
                        text,
                        one.number().replace("I-", "O-").replace("B-", "O-"),
                        one.party(),
                        "Order",
                        one.ordered(),
                        one,
                        issued ? 0 : one.gross(),
                        null);
            }
            if (issued) {
                row(
                        text,
                        one.number(),
                        one.party(),
                        "Invoice",
                        one.issued(),
                        one,
                        one.openOn(bookedUpTo),
                        one.paidOn(bookedUpTo));
            }
        }
        return text.toString();
    }

    private static void row(
            StringBuilder text,
            String number,
            String party,
            String type,
            LocalDate dated,
            LedgerEntry one,
            long open,
            @Nullable LocalDate paid) {
        text.append(String.join(
                        ",",
                        number,
                        party,
                        type,
                        dated.toString(),
                        one.issued().toString(),
                        one.due().toString(),
                        Money.plain(one.gross(), POUND),
                        Money.plain(one.tax(), POUND),
                        Money.plain(open, POUND),
                        paid == null ? "" : paid.toString()))
                .append('\n');
    }
}
