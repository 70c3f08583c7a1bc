package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.accounts.LoanSchedule;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.Identity;
import ebbtide.forecast.RandomCase;
import ebbtide.forecast.RollForward;
import ebbtide.forecast.RollForwards;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermLoan;
import ebbtide.plan.Terms;
import ebbtide.plan.YearsPlan;
import ebbtide.statements.Covenants.Standing;
import ebbtide.statements.Covenants.Tested;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.Workings;
import ebbtide.years.RandomYears;
import ebbtide.years.Year;
import ebbtide.years.Years;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;

/**
 * Identities of the statements (rules 9.3 c, d, e, g), of covenants (8.8) and of the years after the months (9.4) that
 * hold for every plan.
 */
public final class StatementIdentities {
    private static final Books NONE = Books.of(List.of());
    private static final AtomicLong PROPOSED = new AtomicLong();

    private StatementIdentities() {}

    /**
     * Returns how many accounts the proposed opening balance sheets were held against by now: an identity that compares
     * few says little.
     */
    public static long proposedAccounts() {
        return PROPOSED.get();
    }

    /** Returns the identities; those that work every figure out are held against a part of the plans. */
    public static List<Identity> all() {
        return List.of(
                Identity.of(
                        "balanceSheet_atEveryMonthEnd_balancesWithWhatIsNotPlaced",
                        StatementIdentities::balanceSheet_atEveryMonthEnd_balancesWithWhatIsNotPlaced),
                Identity.of(
                        "cashFlow_directAndIndirect_agreeInEverySectionAndWithTheForecast",
                        StatementIdentities::cashFlow_directAndIndirect_agreeInEverySectionAndWithTheForecast),
                Identity.of(
                                "workings_ofEveryRowAndPeriod_addUpToIt",
                                StatementIdentities::workings_ofEveryRowAndPeriod_addUpToIt)
                        .ofEvery(6),
                Identity.of(
                                "accounts_ofStreamsOnPattern_growByWhatTheirRollForwardBills",
                                StatementIdentities::accounts_ofStreamsOnPattern_growByWhatTheirRollForwardBills)
                        .ofEvery(4),
                Identity.of(
                                "salesTax_onTheInvoiceBasis_isAllDue",
                                StatementIdentities::salesTax_onTheInvoiceBasis_isAllDue)
                        .ofEvery(4),
                Identity.of(
                                "proposed_openingBalanceSheet_isWhatEachLineItselfOpensWith",
                                StatementIdentities::proposed_openingBalanceSheet_isWhatEachLineItselfOpensWith)
                        .ofEvery(2),
                Identity.of("covenants_standingAndRoom_agree", StatementIdentities::covenants_standingAndRoom_agree)
                        .ofEvery(10),
                Identity.of(
                                "yearsAfterTheMonths_goOnFromThem_balance_andTheirNeedIsTheSumOfItsParts",
                                StatementIdentities
                                        ::yearsAfterTheMonths_goOnFromThem_balance_andTheirNeedIsTheSumOfItsParts)
                        .ofEvery(4));
    }

    private static void balanceSheet_atEveryMonthEnd_balancesWithWhatIsNotPlaced(RandomCase some) {
        Statements statements = some.statements();
        BalanceSheet balance = statements.balance();
        for (int month = -1; month < statements.ledger().months(); month++) {
            assertThat(balance.figure("assets").in(month))
                    .as("month %s", month)
                    .isEqualTo(balance.figure("liabilities-and-equity").in(month));
            assertThat(balance.row(BalanceRow.CASH).in(month)
                            - balance.row(BalanceRow.OVERDRAFT).in(month))
                    .isEqualTo(statements.ledger().cashAt(month));
        }
    }

    private static void cashFlow_directAndIndirect_agreeInEverySectionAndWithTheForecast(RandomCase some) {
        Statements statements = some.statements();
        List<Period> months = statements.months().all(Periods.MONTH);
        Map<String, List<Long>> direct = rows(statements, Statements.Kind.CASH_DIRECT, months);
        Map<String, List<Long>> indirect = rows(statements, Statements.Kind.CASH_INDIRECT, months);
        for (String section : List.of("operating", "investing", "financing", "net", "cash-at-end")) {
            assertThat(direct.get(section)).as(section).isEqualTo(indirect.get(section));
        }
        for (int i = 0; i < months.size(); i++) {
            assertThat(direct.get("cash-at-end").get(i))
                    .isEqualTo(
                            statements.ledger().forecast().closing(months.get(i).lastDay()));
        }
    }

    private static Map<String, List<Long>> rows(Statements statements, Statements.Kind kind, List<Period> periods) {
        Map<String, List<Long>> rows = new HashMap<>();
        statements.table(kind, periods, false).rows().forEach(row -> rows.put(row.id(), row.amounts()));
        return rows;
    }

    /**
     * Profit is what lines earn; and every row of every statement, in months, quarters and years, is what its parts
     * say.
     */
    private static void workings_ofEveryRowAndPeriod_addUpToIt(RandomCase some) {
        Statements statements = some.statements();
        for (int month = 0; month < statements.ledger().months(); month++) {
            assertThat(statements.income().figure("profit").in(month))
                    .isEqualTo(statements.ledger().profit(month));
        }
        for (Periods by : List.of(Periods.MONTH, Periods.QUARTER, Periods.YEAR)) {
            List<Period> periods = statements.months().all(by);
            for (Statements.Kind kind : Statements.Kind.values()) {
                StatementTable table = statements.table(kind, periods, true);
                int at = (int) (some.seed() / 6 & 1);
                Period period = periods.get(at % periods.size());
                for (StatementTable.Row row : table.rows()) {
                    long shown = row.amounts().get(at % periods.size() + (table.opening() ? 1 : 0));
                    assertThat(statements.workings(kind, row.id(), period).stream()
                                    .mapToLong(Workings.Item::minor)
                                    .sum())
                            .as("%s", row)
                            .isEqualTo(shown);
                }
            }
        }
        Map<String, List<Long>> months =
                rows(statements, Statements.Kind.INCOME, statements.months().all(Periods.MONTH));
        Map<String, List<Long>> years =
                rows(statements, Statements.Kind.INCOME, statements.months().all(Periods.YEAR));
        months.forEach((row, amounts) -> assertThat(sum(amounts)).isEqualTo(sum(years.get(row))));
    }

    private static long sum(List<Long> amounts) {
        return amounts.stream().mapToLong(Long::longValue).sum();
    }

    /**
     * What a stream's account grows by in a month is what its roll-forward bills, less discounts and what is written
     * off.
     */
    private static void accounts_ofStreamsOnPattern_growByWhatTheirRollForwardBills(RandomCase some) {
        Statements statements = some.statements();
        Forecast forecast = statements.ledger().forecast();
        for (Line line : forecast.plan().lines()) {
            if (forecast.plan().isActive(line)
                    && line.assumption() instanceof Assumption.Stream stream
                    && stream.basis() == Basis.PATTERN
                    && stream.terms().by() != Terms.By.TARGET
                    && line.nature() != ebbtide.plan.Nature.OUTSIDE) {
                RollForward roll = RollForwards.of(forecast, line, 99).get(0);
                Account account = statements.ledger().accounts().stream()
                        .filter(one -> line.id().equals(one.lineId()))
                        .findFirst()
                        .orElseThrow();
                for (int i = 0; i < roll.months().size(); i++) {
                    int at = i;
                    long billed = roll.changes().stream()
                            .filter(change -> List.of("billed", "discount", "written off", "never paid")
                                    .contains(change.name()))
                            .mapToLong(change -> change.amounts().get(at))
                            .sum();
                    assertThat((account.causes().get(0).amounts().at(i)
                                            + account.causes().get(1).amounts().at(i))
                                    * line.direction().sign())
                            .as("%s, month %s", line.name(), i)
                            .isEqualTo(billed);
                }
            }
        }
    }

    /** On the invoice basis all tax is due when it is billed, so that what is not due yet stays nil. */
    private static void salesTax_onTheInvoiceBasis_isAllDue(RandomCase some) {
        Statements statements = some.statements();
        Plan plan = statements.ledger().plan();
        boolean invoice = plan.lines().stream()
                .anyMatch(line -> plan.isActive(line)
                        && line.assumption() instanceof SalesTaxSettlement tax
                        && tax.point() == SalesTaxSettlement.TaxPoint.INVOICE);
        boolean books = plan.lines().stream()
                .anyMatch(
                        line -> line.assumption() instanceof Assumption.Stream stream && stream.basis() == Basis.BOOKS);
        if (invoice && !books) {
            assertThat(statements.ledger().accounts().stream()
                            .filter(account -> account.name().startsWith("Sales tax that"))
                            .map(Account::levels))
                    .isEmpty();
        }
    }

    /**
     * What is proposed is found from the horizon backwards: what is still to be cleared then, less all that moves an
     * account. With nothing booked, carried or put by hand, and a forecast that starts with a month, it is what the
     * line's own account has as owed, owned or prepaid at the opening.
     */
    private static void proposed_openingBalanceSheet_isWhatEachLineItselfOpensWith(RandomCase some) {
        Plan random = some.plan();
        Plan untouched = new Plan(
                random.settings().withOpeningSheet(null),
                random.lines().stream().map(StatementIdentities::untouched).toList(),
                random.buoys());
        Plan plan = untouched.asOf(YearMonth.from(random.settings().asOf()).atEndOfMonth());
        Forecast forecast = Forecaster.forecast(plan, NONE);
        OpeningSheet sheet = OpeningCheck.proposed(forecast);
        for (Line line : plan.lines()) {
            OptionalLong opening = opensWith(forecast, line);
            if (plan.isActive(line) && opening.isPresent()) {
                Kind kind = line.standing().holdsAssets()
                        ? Kind.FIXED_ASSETS
                        : line.standing().own();
                long proposed = sheet.entries().stream()
                        .filter(entry -> line.id().equals(entry.lineId()) && entry.kind() == kind)
                        .mapToLong(OpeningSheet.Entry::amount)
                        .sum();
                assertThat(proposed)
                        .as("%s %s", line.name(), line.assumption().getClass().getSimpleName())
                        .isEqualTo(opening.getAsLong());
                PROPOSED.incrementAndGet();
            }
        }
        leases_openWithWhatTheyOwe(forecast, sheet);
        Plan proposed = starting(plan, sheet);
        OpeningCheck.Result result = OpeningCheck.of(Forecaster.forecast(proposed, NONE));
        assertThat(result.findings().stream().filter(finding -> finding.lineId() != null))
                .isEmpty();
        assertThat(result.unplaced()).isEqualTo(sheet.unplaced());
    }

    private static Line untouched(Line line) {
        return new Line(
                line.id(),
                line.group(),
                line.name(),
                line.direction(),
                line.active(),
                line.account(),
                line.note(),
                line.assumption(),
                List.of(),
                line.nature());
    }

    /** What is owed of a lease is by its schedule, unless something fell due before and nothing is booked of it. */
    private static void leases_openWithWhatTheyOwe(Forecast forecast, OpeningSheet sheet) {
        LocalDate day = forecast.plan().settings().openingDay();
        for (Line line : forecast.plan().lines()) {
            if (line.assumption() instanceof Lease lease
                    && !lease.isRent()
                    && forecast.plan().isActive(line)
                    && (lease.on().isAfter(day)
                            || lease.paidUpTo() != null && !lease.paidUpTo().isBefore(day))) {
                long owed = sheet.entries().stream()
                        .filter(entry -> line.id().equals(entry.lineId()) && entry.kind() == Kind.DEBT)
                        .mapToLong(OpeningSheet.Entry::amount)
                        .sum();
                assertThat(owed)
                        .isEqualTo(forecast.accounts().of(line).owedOn(day).orElseThrow());
            }
        }
    }

    private static OptionalLong opensWith(Forecast forecast, Line line) {
        LocalDate day = forecast.plan().settings().openingDay();
        if (line.assumption() instanceof Revolving) {
            return OptionalLong.of(forecast.funding().drawnAsOf(line));
        }
        if (line.assumption() instanceof TermLoan loan) {
            // Where something of it fell due before and nothing is booked, it is still to come.
            LoanSchedule account = new LoanSchedule(loan, forecast.accounts().calendar(line));
            boolean begun = !loan.running() && !loan.from().on().isAfter(day)
                    || loan.running() && loan.from().on().isAfter(day)
                    || account.payments().stream()
                            .anyMatch(one -> one.principal() != 0 && !one.day().isAfter(day));
            return begun ? OptionalLong.empty() : OptionalLong.of(account.owedOn(day));
        }
        List<RollForward> rolls = RollForwards.of(forecast, line, 1);
        boolean trued = line.assumption() instanceof Assumption.Stream stream
                && stream.ledger() != null
                && stream.ledger().trueUp();
        boolean owed = !rolls.isEmpty() && rolls.get(0).kind() != RollForward.Kind.PREPAID && !trued;
        return owed ? OptionalLong.of(rolls.get(0).opening().get(0)) : OptionalLong.empty();
    }

    /** A test holds just when there is room, and what is not known has neither value nor room. */
    private static void covenants_standingAndRoom_agree(RandomCase some) {
        for (Tested one : Covenants.of(some.forecast())) {
            assertThat(
                            one.standing() == Standing.NOT_KNOWN
                                    ? one.value() == null && one.room() == null
                                    : one.room() == null
                                            || one.room() < 0
                                            || one.value() == null
                                            || one.standing() == Standing.HOLDS)
                    .as("%s", one)
                    .isTrue();
            assertThat(one.standing() != Standing.HOLDS || one.room() == null || one.room() >= 0)
                    .isTrue();
        }
    }

    private static void yearsAfterTheMonths_goOnFromThem_balance_andTheirNeedIsTheSumOfItsParts(RandomCase some) {
        if (!LastTwelveMonths.isPossible(some.forecast())) {
            return;
        }
        YearsPlan plan = RandomYears.afterMonths(new Random(some.seed()));
        Years years = Years.of(some.forecast(), plan);
        Statements statements = Statements.of(some.forecast());
        int last = statements.ledger().months() - 1;
        Year first = years.all().get(0);
        assertThat(first.totalAssets() - first.liabilities())
                .as("equity of the last month")
                .isEqualTo(statements.balance().figure("equity").in(last));
        assertThat(first.profit())
                .isEqualTo(statements.income().figure("profit").over(last - 11, last));
        RandomYears.hold(years);
    }

    private static Plan starting(Plan plan, OpeningSheet sheet) {
        return new Plan(plan.settings().withOpeningSheet(sheet), plan.lines(), plan.buoys());
    }
}
