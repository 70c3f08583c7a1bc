package ebbtide.sim;

import static java.util.Objects.requireNonNull;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.PatternSchedule;
import ebbtide.accounts.PayAccount;
import ebbtide.books.Account;
import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.money.Split;
import ebbtide.plan.Assumption;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.Plan;
import ebbtide.plan.Recurring;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.Steps;
import ebbtide.time.BusinessDays;
import ebbtide.time.Spread;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * What the demo company's banks book from September 2025 to the end of August 2026: what its ledger says is paid, and
 * the rest much as its plan would have it, with round sums that never are, and a few surprises.
 */
final class DemoBank {
    static final LocalDate FIRST_DAY = LocalDate.of(2025, 9, 1);
    static final LocalDate LAST_DAY = LocalDate.of(2026, 8, 30);
    static final String CURRENT = "current";
    static final String SHOP = "shop-takings";
    static final String RESERVE = "reserve";

    private static final BusinessDays UK = BusinessDays.ofCountry("GB");
    private static final Map<String, List<String>> PARTIES = Map.of(
            "restaurants",
                    List.of(
                            "Gullrock Hotels",
                            "Otter & Vine",
                            "The Limpet Room",
                            "Pellmoor Inns",
                            "Tern Street Kitchens"),
            "grocery", List.of("Fennick Stores", "Marlowe & Daughters Grocers", "Quillby Markets"),
            "export", List.of("Brisemer Distribution", "Nordvik Sjomat Handel"),
            "licences", List.of("Saltire Kelp Labs"),
            "seed", List.of("Penhallow Hatchery", "Ropewalk Marine Gear"),
            "packaging", List.of("Icehouse Supplies", "Brackenbox Packaging"),
            "diesel", List.of("Quayside Fuels"),
            "marketing", List.of("Lantern Print & Design"),
            "repairs", List.of("Tidewell Engineering", "Skerry Boatyard"));

    private static final int MONTHS = 12;

    private final Plan plan;
    private final Random random = new Random(20260301);
    private final List<BankMovement> movements = new ArrayList<>();
    private int number = 4000;

    private DemoBank(Plan plan) {
        this.plan = plan;
    }

    /** Returns the counterparties of a line. */
    static List<String> parties(String line) {
        return requireNonNull(PARTIES.get(line));
    }

    /**
     * Returns every movement in order of account and day, each assigned as a person would; those of the ledger's
     * entries settle them.
     */
    static List<BankMovement> movements(Plan plan, List<LedgerEntry> ledger) {
        DemoBank bank = new DemoBank(plan);
        plan.lines().forEach(bank::book);
        bank.bookLedger(ledger);
        bank.transfersAndSurprises();
        bank.bookLoan();
        bank.movements.removeIf(
                m -> m.bookingDate().isBefore(FIRST_DAY) || m.bookingDate().isAfter(LAST_DAY));
        bank.movements.sort(Comparator.comparing(BankMovement::account)
                .thenComparing(BankMovement::bookingDate)
                .thenComparing(BankMovement::text)
                .thenComparing(BankMovement::minor));
        return List.copyOf(bank.movements);
    }

    private void book(Line line) {
        if (line.id().equals("shop")) {
            bookShop(line);
        } else if (line.assumption() instanceof Assumption.Stream) {
            if (!DemoLedger.LINES.contains(line.id())) {
                bookStream(line);
            }
        } else if (line.assumption() instanceof Recurring recurring) {
            recurring.when().between(FIRST_DAY.minusDays(5), LAST_DAY).forEach(day -> {
                long amount =
                        recurring.amount().findOn(day).map(Steps.Step::value).orElse(0L);
                add(line, recurring.convention().adjust(day, UK), amount, words(line), line.name());
            });
        } else if (line.assumption() instanceof SalesTaxSettlement) {
            Accounts.of(before(), DemoPlan.NO_BOOKS).salesTax(line).periods().stream()
                    .filter(period -> period.settled().isBefore(LAST_DAY))
                    .forEach(period -> add(
                            line,
                            period.settled(),
                            period.proposed() + period.output() - period.input(),
                            words(line),
                            "Revenue Office"));
        } else if (line.assumption() instanceof Pay) {
            bookPay(line);
        } else if (line.assumption() instanceof DatedItems items) {
            items.items().stream()
                    .filter(item -> item.certainty() != Certainty.POSSIBLE)
                    .forEach(item -> add(
                            line,
                            UK.nextOrSame(item.date().plusDays(2)),
                            wobble(item.amount(), 40),
                            words(line),
                            line.name()));
        }
    }

    /** The plan as it was before the first day, with the same assumptions. */
    private Plan before() {
        return plan.asOf(FIRST_DAY.minusDays(1));
    }

    /** Each pay day is a batch; what was withheld and the employer's cost follow the month after. */
    private void bookPay(Line line) {
        PayAccount pay = DemoPlan.paidSinceAugust(before(), line);
        SortedMap<LocalDate, Long> batches = new TreeMap<>();
        pay.between(FIRST_DAY, LAST_DAY).forEach(one -> batches.merge(one.day(), one.net(), Long::sum));
        batches.forEach((day, net) -> add(line, day, wobble(net, 15), words(line), line.name()));
        pay.paidOver().stream()
                .filter(month -> !month.day().isAfter(LAST_DAY))
                .forEach(month -> add(
                        line,
                        month.day(),
                        wobble(month.proposed() + month.after(), 4),
                        "PAYROLL TAX",
                        "Revenue Office"));
    }

    /** The loan and the beds it buys are booked on the days agreed, to the penny. */
    private void bookLoan() {
        Plan funded = DemoFunding.of(plan);
        Forecast forecast = Forecaster.forecast(
                funded,
                Books.of(List.of(new Account(
                        CURRENT, "Current account", "GB", false, plan.settings().asOf(), 0))));
        for (String id : List.of("loan", "loan-interest", "assets")) {
            Line line = funded.findLine(id).orElseThrow();
            forecast.flows(line)
                    .forEach(flow -> movements.add(new BankMovement(
                            CURRENT,
                            flow.day(),
                            flow.day(),
                            flow.minor(),
                            line.name().toUpperCase(),
                            "Tidewater Bank",
                            "",
                            List.of(new AssignedPart(id, flow.minor())))));
        }
    }

    /**
     * What the ledger says was paid: a counterparty's payments of a day come as one sum, whose words name no more than
     * one of them.
     */
    private void bookLedger(List<LedgerEntry> ledger) {
        SortedMap<String, List<LedgerEntry>> sums = new TreeMap<>();
        ledger.forEach(entry -> entry.payments().forEach(paid -> sums.computeIfAbsent(
                        paid.day() + " " + entry.lineId() + " " + entry.party(), key -> new ArrayList<>())
                .add(entry)));
        sums.forEach((key, entries) -> {
            LocalDate day = LocalDate.parse(key.substring(0, 10));
            Line line = plan.findLine(entries.get(0).lineId()).orElseThrow();
            List<AssignedPart> parts = new ArrayList<>();
            entries.stream().distinct().forEach(entry -> entry.payments().stream()
                    .filter(paid -> paid.day().equals(day))
                    .forEach(paid -> parts.add(new AssignedPart(
                            line.id(),
                            paid.minor() * line.direction().sign(),
                            DemoCompany.itemId(entry),
                            paid.kept()))));
            String words = entries.size() > 1
                    ? "REMITTANCE"
                    : random.nextInt(6) == 0
                            ? "TRANSFER"
                            : (line.direction().sign() > 0 ? "INV " : "BILL ")
                                    + entries.get(0).number();
            movements.add(new BankMovement(
                    CURRENT,
                    day,
                    day,
                    parts.stream().mapToLong(AssignedPart::minor).sum(),
                    words,
                    entries.get(0).party(),
                    "",
                    parts));
        });
    }

    /**
     * Each month's cash by the pattern in several payments, on business days that lean a little late; days that are
     * agreed are kept within a few.
     */
    private void bookStream(Line line) {
        PatternSchedule schedule = PatternSchedule.of(
                Accounts.of(plan, DemoPlan.NO_BOOKS).stream(line), YearMonth.from(FIRST_DAY), MONTHS);
        List<String> parties = parties(line.id());
        for (int m = 0; m < schedule.cash().months(); m++) {
            long cash = wobble(schedule.cash().at(m), 60);
            if (cash == 0) {
                continue;
            }
            int count = parties.size() + random.nextInt(parties.size() * 3 + 1);
            long[] parts = Split.byWeights(cash, random.longs(count, 40, 160).toArray());
            YearMonth month = schedule.cashMonths().get(m);
            for (long part : parts) {
                LocalDate day = UK.nextOrSame(agreed(line, month.atDay(1 + random.nextInt(month.lengthOfMonth()))));
                String party = parties.get(random.nextInt(parties.size()));
                add(line, day, part, (line.direction().sign() > 0 ? "INV " : "BILL ") + ++number, party);
            }
        }
    }

    /**
     * The agreed day that is nearest to some day of a month, up to three days later; that day where none are agreed.
     */
    private static LocalDate agreed(Line line, LocalDate day) {
        if (!(((Assumption.Stream) line.assumption()).spread() instanceof Spread.OnDays on)) {
            return day;
        }
        int nearest = on.days().stream()
                .map(Spread.DayWeight::day)
                .min(Comparator.comparingInt(one -> Math.abs(one - day.getDayOfMonth())))
                .orElseThrow();
        return day.withDayOfMonth(Math.min(nearest, day.lengthOfMonth())).plusDays(day.getDayOfMonth() % 4);
    }

    /** The card machine pays the shop's takings out every business day; Mondays bring the weekend. */
    private void bookShop(Line line) {
        PatternSchedule schedule = PatternSchedule.of(
                Accounts.of(plan, DemoPlan.NO_BOOKS).stream(line), YearMonth.from(FIRST_DAY), MONTHS);
        for (int m = 0; m < schedule.cash().months(); m++) {
            List<LocalDate> days = schedule.cashMonths()
                    .get(m)
                    .atDay(1)
                    .datesUntil(schedule.cashMonths().get(m).plusMonths(1).atDay(1))
                    .filter(UK::isBusinessDay)
                    .toList();
            long[] weights = days.stream()
                    .mapToLong(d -> (d.getDayOfWeek() == DayOfWeek.MONDAY ? 240 : 100) + random.nextInt(60))
                    .toArray();
            long[] parts = Split.byWeights(wobble(schedule.cash().at(m), 50), weights);
            for (int i = 0; i < parts.length; i++) {
                add(line, days.get(i), parts[i], "CARD TAKINGS", "Shoalpay Merchant Services");
            }
        }
    }

    private void transfersAndSurprises() {
        for (LocalDate friday = LocalDate.of(2025, 9, 5); !friday.isAfter(LAST_DAY); friday = friday.plusWeeks(1)) {
            LocalDate day = UK.nextOrSame(friday);
            transfer(day, SHOP, CURRENT, 420_000 + random.nextInt(8) * 10_000L);
        }
        transfer(LocalDate.of(2025, 12, 15), CURRENT, RESERVE, 4_000_000);
        transfer(LocalDate.of(2026, 2, 16), RESERVE, CURRENT, 2_500_000);
        unforeseen(LocalDate.of(2026, 3, 11), -1_284_050, "PONTOON CHAIN EMERGENCY", "Skerry Boatyard");
        unforeseen(LocalDate.of(2026, 3, 18), 312_500, "STORM CLAIM PART PAYMENT", "Holm Mutual Marine");
        unforeseen(LocalDate.of(2026, 3, 24), -48_600, "BANK CHARGES", "");
        unforeseen(LocalDate.of(2026, 5, 13), -762_000, "COLD STORE COMPRESSOR", "Tidewell Engineering");
        unforeseen(LocalDate.of(2026, 6, 24), -51_200, "BANK CHARGES", "");
        unforeseen(LocalDate.of(2026, 7, 8), 940_000, "STORM CLAIM FINAL", "Holm Mutual Marine");
    }

    private void transfer(LocalDate day, String from, String to, long minor) {
        movements.add(new BankMovement(
                from,
                day,
                day,
                -minor,
                "TRANSFER TO " + to.toUpperCase(),
                "Skerrywick Shellfish Ltd",
                "",
                List.of(new AssignedPart(null, -minor))));
        movements.add(new BankMovement(
                to,
                day,
                day,
                minor,
                "TRANSFER FROM " + from.toUpperCase(),
                "Skerrywick Shellfish Ltd",
                "",
                List.of(new AssignedPart(null, minor))));
    }

    private void unforeseen(LocalDate day, long minor, String text, String party) {
        movements.add(new BankMovement(CURRENT, day, day, minor, text, party, "", List.of()));
    }

    private void add(Line line, LocalDate day, long amount, String text, String party) {
        long minor = amount * line.direction().sign();
        if (minor != 0) {
            movements.add(new BankMovement(
                    line.id().equals("shop") ? SHOP : CURRENT,
                    day,
                    day,
                    minor,
                    text,
                    party,
                    "",
                    List.of(new AssignedPart(line.id(), minor))));
        }
    }

    private static String words(Line line) {
        return switch (line.id()) {
            case "pay" -> "BACS PAYROLL";
            case "rent" -> "QUARTER RENT FORESHORE";
            case "insurance" -> "DD MARINE COVER";
            case "vat" -> "VAT REPAYMENT";
            default -> line.name().toUpperCase();
        };
    }

    /** An amount up to so many thousandths more or less. */
    private long wobble(long amount, int thousandths) {
        return thousandths == 0 ? amount : amount + amount * (random.nextInt(2 * thousandths + 1) - thousandths) / 1000;
    }
}
