package ebbtide.forecast;

import static java.util.Objects.requireNonNull;

import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.ToLongFunction;
import java.util.stream.IntStream;

/**
 * How each period is funded (rules 8): cash before funding, what facilities, loans and leases bring and take, their
 * interest, closing cash; and what is owed on each, and on all, at its end; and what is put away in deposits then.
 * Signed minor units; every column adds up to its closing cash and chains to the next.
 */
public record FundingTable(List<Period> periods, List<Row> rows, List<Debt> debts, Debt total, List<Deposit> deposits) {
    /** What a row of the table is. */
    public enum Kind {
        OPENING,
        RECEIPTS,
        PAYMENTS,
        TRANSFERS,
        /** Opening cash with all that is no funding. */
        BEFORE,
        FACILITY,
        LOAN,
        DEPOSIT,
        INTEREST,
        CLOSING,
        /** On the worst day of the period. */
        HEADROOM,
        /** The most of any day of the period. */
        SHORTFALL
    }

    private static final Map<CashRow, Kind> KINDS = Map.of(
            CashRow.FACILITIES, Kind.FACILITY,
            CashRow.LOANS, Kind.LOAN,
            CashRow.LEASES, Kind.LOAN,
            CashRow.DEPOSITS, Kind.DEPOSIT);

    /** A row: the id of its line or its kind, and an amount for each period. */
    public record Row(String id, Kind kind, String name, List<Long> amounts) {}

    /**
     * What is owed on a facility, a loan or a lease at the end of each period, and the most that may be (the last
     * two's: what is owed).
     */
    public record Debt(String id, String name, boolean revolving, List<Long> owed, List<Long> most) {}

    /** What is put away in a term deposit at the end of each period. */
    public record Deposit(String id, String name, List<Long> placed) {}

    /** Returns the table of a forecast for periods in order. */
    public static FundingTable of(Forecast forecast, List<Period> periods) {
        Plan plan = forecast.plan();
        List<Line> facilities = forecast.funding().facilities();
        List<Line> loans = plan.lines().stream()
                .filter(line -> plan.isActive(line) && line.standing().cash().isRepaid())
                .toList();
        List<Line> deposits = plan.lines().stream()
                .filter(line -> plan.isActive(line) && line.standing().cash() == CashRow.DEPOSITS)
                .toList();
        List<Line> interest = plan.lines().stream()
                .filter(line -> line.standing().cash() == CashRow.INTEREST)
                .toList();
        List<Line> funding = plan.lines().stream().filter(Line::isFunding).toList();
        List<Row> rows = new ArrayList<>();
        rows.add(row(
                "opening",
                Kind.OPENING,
                "Opening cash",
                periods,
                period -> forecast.closing(period.startInclusive().minusDays(1))));
        rows.add(row("receipts", Kind.RECEIPTS, "Receipts", periods, period -> forecast.total(Direction.RECEIPT, period)
                .amount()));
        rows.add(row(
                "payments",
                Kind.PAYMENTS,
                "Payments",
                periods,
                period -> forecast.total(Direction.PAYMENT, period).amount() - sum(forecast, funding, period)));
        if (periods.stream().anyMatch(period -> forecast.transfers(period).amount() != 0)) {
            rows.add(row(
                    "transfers",
                    Kind.TRANSFERS,
                    "Between own accounts, under way",
                    periods,
                    period -> forecast.transfers(period).amount()));
        }
        rows.add(row(
                "before",
                Kind.BEFORE,
                "Before funding",
                periods,
                period -> forecast.closing(period.lastDay()) - sum(forecast, funding, period)));
        facilities.forEach(line ->
                rows.add(row(line.id(), Kind.FACILITY, line.name(), periods, period -> forecast.cell(line, period)
                        .amount())));
        loans.forEach(
                line -> rows.add(row(line.id(), Kind.LOAN, line.name(), periods, period -> forecast.cell(line, period)
                        .amount())));
        deposits.forEach(line ->
                rows.add(row(line.id(), Kind.DEPOSIT, line.name(), periods, period -> forecast.cell(line, period)
                        .amount())));
        // Lines that are switched off keep their facts: what the bank booked on them is in the column too.
        List<Line> others = funding.stream()
                .filter(line -> !facilities.contains(line)
                        && !loans.contains(line)
                        && !deposits.contains(line)
                        && !interest.contains(line))
                .toList();
        others.stream()
                .filter(line -> periods.stream()
                        .anyMatch(period -> forecast.cell(line, period).amount() != 0))
                .forEach(line -> rows.add(row(
                        line.id(),
                        requireNonNull(requireNonNull(KINDS.get(line.standing().cash()))),
                        line.name(),
                        periods,
                        period -> forecast.cell(line, period).amount())));
        rows.add(row(
                "interest", Kind.INTEREST, "Interest and fees", periods, period -> sum(forecast, interest, period)));
        rows.add(row("closing", Kind.CLOSING, "Closing cash", periods, period -> forecast.closing(period.lastDay())));
        rows.add(row("headroom", Kind.HEADROOM, "Headroom", periods, period -> forecast.liquidity()
                .headroom(forecast.timeline().index(forecast.worstDay(period)))));
        rows.add(row("shortfall", Kind.SHORTFALL, "Shortfall", periods, period -> most(forecast, period)));
        List<Debt> debts = new ArrayList<>();
        for (int i = 0; i < facilities.size(); i++) {
            int at = i;
            debts.add(new Debt(
                    facilities.get(i).id(),
                    facilities.get(i).name(),
                    true,
                    atEnd(forecast, periods, day -> forecast.funding().drawn(at, day)),
                    atEnd(forecast, periods, day -> forecast.funding().most(at, day))));
        }
        for (Line loan : loans) {
            List<Long> owed = periods.stream()
                    .map(period -> forecast.accounts()
                            .of(loan)
                            .owedOn(period.lastDay())
                            .orElse(0))
                    .toList();
            debts.add(new Debt(loan.id(), loan.name(), false, owed, owed));
        }
        return new FundingTable(
                List.copyOf(periods),
                List.copyOf(rows),
                List.copyOf(debts),
                total(debts, periods.size()),
                deposits.stream()
                        .map(line -> new Deposit(
                                line.id(),
                                line.name(),
                                periods.stream()
                                        .map(period -> forecast.accounts()
                                                .deposit(line)
                                                .placedOn(period.lastDay()))
                                        .toList()))
                        .toList());
    }

    private static Debt total(List<Debt> debts, int periods) {
        return new Debt(
                "total",
                "All facilities and loans",
                false,
                IntStream.range(0, periods)
                        .mapToObj(i -> debts.stream()
                                .mapToLong(debt -> debt.owed().get(i))
                                .sum())
                        .toList(),
                IntStream.range(0, periods)
                        .mapToObj(i -> debts.stream()
                                .mapToLong(debt -> debt.most().get(i))
                                .sum())
                        .toList());
    }

    private static Row row(String id, Kind kind, String name, List<Period> periods, ToLongFunction<Period> amount) {
        return new Row(id, kind, name, periods.stream().map(amount::applyAsLong).toList());
    }

    private static long sum(Forecast forecast, List<Line> lines, Period period) {
        return lines.stream()
                .mapToLong(line -> forecast.cell(line, period).amount())
                .sum();
    }

    private static long most(Forecast forecast, Period period) {
        long most = 0;
        for (LocalDate day = period.startInclusive(); !day.isAfter(period.lastDay()); day = day.plusDays(1)) {
            most = Math.max(
                    most, forecast.funding().shortfall(forecast.timeline().index(day)));
        }
        return most;
    }

    private static List<Long> atEnd(
            Forecast forecast, List<Period> periods, java.util.function.IntToLongFunction amount) {
        return periods.stream()
                .map(period -> amount.applyAsLong(forecast.timeline().index(period.lastDay())))
                .toList();
    }
}
