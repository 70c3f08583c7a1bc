package ebbtide.workings;

import static ebbtide.time.DayFormats.WEEKDAY;

import ebbtide.forecast.Forecast;
import ebbtide.forecast.FundingTable;
import ebbtide.money.Refused;
import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** The parts of a figure of the funding table, with their causes (rules 12.1): they add up to it. */
public final class FundingWorkings {
    private final Forecast forecast;
    private final Plan plan;
    private final Period period;
    private final List<Workings.Item> items = new ArrayList<>();

    private FundingWorkings(Forecast forecast, Period period) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.period = period;
    }

    /**
     * Returns the parts of a row ({@link FundingTable.Row#id}) or of what is owed on a line ("owed" and its id) in a
     * period; refuses rows that are not there.
     */
    public static List<Workings.Item> of(Forecast forecast, String row, Period period) {
        FundingWorkings workings = new FundingWorkings(forecast, period);
        workings.add(row);
        return List.copyOf(workings.items);
    }

    private void add(String row) {
        switch (row) {
            case "transfers" ->
                part(
                        "Transfers booked on one side only",
                        "they cancel out once the other account's statement is brought in",
                        forecast.transfers(period).amount());
            case "opening", "headroom" ->
                items.addAll(RowWorkings.of(forecast, row, period).items());
            case "receipts" -> lines(Direction.RECEIPT);
            case "payments" -> lines(Direction.PAYMENT);
            case "before" ->
                rows(
                        FundingTable.Kind.OPENING,
                        FundingTable.Kind.RECEIPTS,
                        FundingTable.Kind.PAYMENTS,
                        FundingTable.Kind.TRANSFERS);
            case "closing" ->
                rows(
                        FundingTable.Kind.BEFORE,
                        FundingTable.Kind.FACILITY,
                        FundingTable.Kind.LOAN,
                        FundingTable.Kind.DEPOSIT,
                        FundingTable.Kind.INTEREST);
            case "interest" ->
                plan.lines().stream()
                        .filter(line -> line.assumption().findInterest().isPresent())
                        .forEach(line -> part(
                                line.name(), "", forecast.cell(line, period).amount()));
            case "shortfall" -> shortfall();
            default -> {
                Line line = plan.findLine(row.startsWith("owed ") ? row.substring(5) : row)
                        .filter(Line::isFunding)
                        .orElseThrow(() -> new Refused("The funding has no row '" + row + "' in these days"));
                if (row.startsWith("owed ")) {
                    owed(line);
                } else {
                    items.addAll(RowWorkings.of(forecast, row, period).items());
                }
            }
        }
    }

    private void part(String what, String because, long minor) {
        if (minor != 0) {
            items.add(new Workings.Item(null, what, because, null, minor));
        }
    }

    private void lines(Direction direction) {
        plan.lines().stream()
                .filter(line -> line.direction() == direction && !line.isGroup() && !line.isFunding())
                .forEach(line -> part(
                        line.name(),
                        plan.pathOf(line),
                        forecast.cell(line, period).amount()));
        part(
                "Not assigned",
                "bank movements that are on no line yet",
                forecast.unassigned(direction, period).amount());
    }

    private void rows(FundingTable.Kind... kinds) {
        FundingTable.of(forecast, List.of(period)).rows().stream()
                .filter(row -> List.of(kinds).contains(row.kind()))
                .forEach(row -> part(row.name(), "", row.amounts().get(0)));
    }

    /** The day with the most of it: what of the minimum is missing then, and what is overdue. */
    private void shortfall() {
        int worst = -1;
        for (LocalDate day = period.startInclusive(); !day.isAfter(period.lastDay()); day = day.plusDays(1)) {
            int at = forecast.timeline().index(day);
            worst = worst < 0
                            || forecast.funding().shortfall(at)
                                    > forecast.funding().shortfall(worst)
                    ? at
                    : worst;
        }
        if (forecast.funding().shortfall(worst) == 0) {
            return;
        }
        LocalDate day = forecast.timeline().date(worst);
        long overdue = forecast.funding().overdue(worst);
        part(
                "Missing on " + WEEKDAY.format(day),
                "minimum cash less closing cash and overdraft, and less what the next sweep may draw",
                forecast.funding().shortfall(worst) - overdue);
        part("Overdue on " + WEEKDAY.format(day), "drawn beyond limits, and not repaid for want of cash", overdue);
    }

    private void owed(Line line) {
        if (line.standing().cash() == CashRow.DEPOSITS) {
            placed(line);
            return;
        }
        FundingTable.Debt debt = FundingTable.of(forecast, List.of(period)).debts().stream()
                .filter(one -> one.id().equals(line.id()))
                .findFirst()
                .orElseThrow(() -> new Refused("'" + line.name() + "' is switched off: nothing is reckoned of it"));
        long moved = forecast.cell(line, period).amount();
        part(
                "Owed at the end of the day before " + WEEKDAY.format(period.startInclusive()),
                "",
                debt.owed().get(0) - moved);
        part("Drawn, less repaid, in these days", "by the bank's movements, then by sweep or schedule", moved);
    }

    private void placed(Line line) {
        long before = forecast.accounts()
                .deposit(line)
                .placedOn(period.startInclusive().minusDays(1));
        part("Put away at the end of the day before " + WEEKDAY.format(period.startInclusive()), "", before);
        part(
                "Put away, less what comes back, in these days",
                "by its terms",
                forecast.accounts().deposit(line).placedOn(period.lastDay()) - before);
    }
}
