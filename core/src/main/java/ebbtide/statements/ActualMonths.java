package ebbtide.statements;

import static ebbtide.time.DayFormats.MONTH;

import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Booked;
import ebbtide.books.ActualLedger.Change;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.forecast.Forecast;
import ebbtide.money.Money;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Plan;
import ebbtide.statements.ActualMonth.Share;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * The months with a trial balance (rules 9.5), worked out for the statements: the months before those that are
 * forecast, what each account has in each row, and what is to be looked at.
 */
public final class ActualMonths {
    private final Forecast forecast;
    private final Plan plan;
    private final ActualLedger ledger;
    private final Map<String, Said> said;
    private final Predicate<String> rows;
    private final List<ActualMonth> months = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();

    /** Makes the months of a ledger for statements that have some rows. */
    ActualMonths(Forecast forecast, ActualLedger ledger, Predicate<String> rows) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.ledger = ledger;
        this.said = ledger.byAccount();
        this.rows = rows;
        TrialBalance before = null;
        List<Booked> booked = ledger.booked(plan.settings().firstFiscalMonth());
        for (int i = 0; i < booked.size(); i++) {
            TrialBalance one = ledger.months().get(i);
            if (one.month().isBefore(plan.settings().firstForecastMonth())) {
                ActualMonth next = month(one, booked.get(i));
                if (before != null) {
                    standNowhere(before.month().plusMonths(1), next.since());
                }
                months.add(next);
                before = one;
            } else {
                remarks.add("The trial balance of " + MONTH.format(one.month())
                        + " is of a month that is still forecast: it is shown once the as-of date has passed its end");
            }
        }
        if (before != null) {
            standNowhere(before.month().plusMonths(1), plan.settings().firstForecastMonth());
        }
    }

    /** Says of months that neither a trial balance nor the forecast has that no year counts them. */
    private void standNowhere(YearMonth from, YearMonth until) {
        if (from.isBefore(until)) {
            YearMonth last = until.minusMonths(1);
            remarks.add(MONTH.format(from)
                    + (from.equals(last) ? " has" : " to " + MONTH.format(last) + " have")
                    + " neither a trial balance nor a forecast, and their year counts nothing of them: bring the trial balance of "
                    + MONTH.format(last) + " in");
        }
    }

    /** Returns the months, in their order. */
    List<ActualMonth> all() {
        return months;
    }

    /** Returns what is to be looked at, each in a sentence that says where and how to mend it. */
    public List<String> remarks() {
        return List.copyOf(remarks);
    }

    private ActualMonth month(TrialBalance now, Booked booked) {
        Map<String, List<Share>> flows = new HashMap<>();
        Map<BalanceRow, List<Share>> levels = new EnumMap<>(BalanceRow.class);
        for (Change one : booked.changes()) {
            flowRow(one.account().account()).ifPresent(row -> add(flows, row, one.account(), -one.minor()));
        }
        long soFar = 0;
        for (Balance one : now.balances()) {
            if (flowRow(one.account()).isPresent()) {
                soFar += one.minor();
            } else {
                place(flows, levels, one);
            }
        }
        level(levels, BalanceRow.RETAINED, "Income less costs of the year so far", -soFar);
        level(levels, BalanceRow.NOT_PLACED, "What debits exceed credits by", now.unplaced());
        look(now, booked.since(), levels);
        return new ActualMonth(booked.since(), now.month(), flows, levels);
    }

    /** The row of the income statement that an account was said to be, nothing for one of the balance sheet or none. */
    private Optional<String> flowRow(String account) {
        Said one = said.get(account);
        if (one == null) {
            return Optional.empty();
        }
        if (one.row() != null) {
            LedgerRow row = one.row();
            return row.kind().isPresent()
                    ? Optional.empty()
                    : Optional.of(
                            rows.test(IncomeStatement.OF_NO_LINE + row.id())
                                    ? IncomeStatement.OF_NO_LINE + row.id()
                                    : row.id());
        }
        return plan.findLine(one.line())
                .map(line -> line.nature() == Nature.DEPRECIATION ? "depreciation" : "line " + line.id())
                .filter(rows);
    }

    private void place(Map<String, List<Share>> flows, Map<BalanceRow, List<Share>> levels, Balance one) {
        LedgerRow row =
                Optional.ofNullable(said.get(one.account())).map(Said::row).orElse(null);
        OpeningSheet.Kind kind = row == null ? null : row.kind().orElse(null);
        if (kind == null) {
            level(levels, BalanceRow.SUSPENSE, one.words(), one.minor());
            return;
        }
        BalanceRow place = kind == OpeningSheet.Kind.CASH && one.minor() < 0
                ? BalanceRow.OVERDRAFT
                : BalanceRow.of(kind, one.minor() > 0);
        level(levels, place, one.words(), one.minor() * place.part().sign());
        if (row == LedgerRow.ACCUMULATED_DEPRECIATION) {
            add(flows, BalanceSheet.ACCUMULATED, one, one.minor());
        }
    }

    private static void add(Map<String, List<Share>> to, String row, Balance one, long minor) {
        if (minor != 0) {
            to.computeIfAbsent(row, id -> new ArrayList<>()).add(new Share(one.words(), minor));
        }
    }

    private static void level(Map<BalanceRow, List<Share>> to, BalanceRow row, String name, long minor) {
        if (minor != 0) {
            to.computeIfAbsent(row, id -> new ArrayList<>()).add(new Share(name, minor));
        }
    }

    private void look(TrialBalance now, YearMonth begins, Map<BalanceRow, List<Share>> levels) {
        String month = MONTH.format(now.month());
        List<Share> open = levels.getOrDefault(BalanceRow.SUSPENSE, List.of());
        if (!open.isEmpty()) {
            remarks.add(month + ": " + (open.size() == 1 ? "account " : "accounts ")
                    + String.join(", ", open.stream().limit(3).map(Share::name).toList())
                    + (open.size() > 3 ? " and " + (open.size() - 3) + " more" : "")
                    + (open.size() == 1 ? " is" : " are")
                    + " not said to be anything: say which row or line, until then they stand as not placed yet");
        }
        if (now.unplaced() != 0) {
            remarks.add(
                    month + ": debits are " + money(Math.abs(now.unplaced()))
                            + (now.unplaced() > 0 ? " more" : " less")
                            + " than credits: the trial balance lacks an account, or one was misread. It is shown as not placed");
        }
        if (!begins.equals(now.month())) {
            remarks.add(month + ": shows " + MONTH.format(begins) + " to " + month
                    + " in one, as the months before have no trial balance of their own");
        }
        long cash = sum(levels, BalanceRow.CASH) - sum(levels, BalanceRow.OVERDRAFT);
        LocalDate end = now.month().atEndOfMonth();
        long bank = forecast.books().cash(end);
        boolean hasCash = now.balances().stream().anyMatch(one -> Optional.ofNullable(said.get(one.account()))
                .filter(is -> is.row() == LedgerRow.CASH)
                .isPresent());
        if (hasCash && cash != bank) {
            remarks.add(month + ": cash of the ledger is " + money(Math.abs(cash - bank))
                    + (cash > bank ? " more" : " less") + " than the " + money(bank) + " the accounts held at its end");
        }
    }

    private static long sum(Map<BalanceRow, List<Share>> levels, BalanceRow row) {
        return levels.getOrDefault(row, List.of()).stream()
                .mapToLong(Share::minor)
                .sum();
    }

    private String money(long minor) {
        return Money.words(minor, plan.settings().currency());
    }
}
