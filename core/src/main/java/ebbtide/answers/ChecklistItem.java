package ebbtide.answers;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.Expectation;
import ebbtide.accounts.LineAccount;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.forecast.Forecast;
import ebbtide.items.LineItems;
import ebbtide.money.Money;
import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a plan still lacks for its figures to be trusted; {@code lineId} names the line to mend, null for the plan. */
public record ChecklistItem(@Nullable String lineId, String sentence) {

    private static final int BOOKED_OF_LATE = 31;

    /** Returns what is missing in the plan and the books of a forecast, accounts first, then line by line. */
    public static List<ChecklistItem> of(Forecast forecast) {
        List<ChecklistItem> found = new ArrayList<>();
        Plan plan = forecast.plan();
        Books books = forecast.books();
        Accounts accounts = forecast.accounts();
        LocalDate asOf = plan.settings().asOf();
        if (books.accounts().isEmpty()) {
            found.add(new ChecklistItem(null, "No bank account yet: without a balance the forecast starts at nil"));
        }
        for (Account account : books.accounts()) {
            LocalDate known = books.lastDay(account);
            if (known.isBefore(asOf.minusDays(7))) {
                found.add(
                        new ChecklistItem(
                                null,
                                account.name() + " is known up to " + DAY.format(known)
                                        + ", earlier than the as-of date: bring in its statements, or choose an earlier as-of date"));
            }
        }
        if (plan.settings().minimumCash().isEmpty()) {
            found.add(new ChecklistItem(null, "No minimum cash is set: headroom is measured from nil"));
        }
        for (Direction direction : Direction.values()) {
            if (plan.lines().stream().noneMatch(line -> line.direction() == direction && !line.isGroup())) {
                found.add(new ChecklistItem(
                        null,
                        direction == Direction.RECEIPT
                                ? "No receipts are planned yet"
                                : "No payments are planned yet"));
            }
        }
        for (Line line : plan.lines()) {
            if (plan.isActive(line)) {
                ofLine(plan, accounts, line, found);
            }
        }
        salesTax(plan, found);
        funding(plan, found);
        openItems(plan, books, found);
        notSettled(plan, books, found);
        return found;
    }

    /**
     * What staff or the state are owed stands until it is paid (rules 1.9): where no movement has paid it, it may have
     * been paid all the same.
     */
    private static void overdue(Plan plan, Accounts accounts, Line line, String mend, List<ChecklistItem> found) {
        LocalDate asOf = plan.settings().asOf();
        List<Expectation> late = accounts.expectations(line).stream()
                .filter(one -> one.isUntilPaid() && !one.day().isAfter(asOf) && one.left() > 0)
                .toList();
        if (!late.isEmpty()) {
            found.add(new ChecklistItem(
                    line.id(),
                    line.name() + " stands overdue with "
                            + Money.words(
                                    late.stream().mapToLong(Expectation::left).sum(),
                                    plan.settings().currency())
                            + " of "
                            + (late.size() == 1
                                    ? DAY.format(late.get(0).day())
                                    : late.size() + " days from "
                                            + DAY.format(late.get(0).day()))
                            + ", which no movement has paid: assign its movements, or " + mend));
        }
    }

    /** A facility, loan or deposit that bears a rate needs a line on which its interest is paid. */
    private static void funding(Plan plan, List<ChecklistItem> found) {
        for (Line line : plan.lines()) {
            if (line.assumption().bearsInterest()
                    && plan.isActive(line)
                    && plan.lines().stream()
                            .noneMatch(other -> plan.isActive(other)
                                    && other.assumption()
                                            .findInterest()
                                            .filter(interest -> line.id().equals(interest.lineId()))
                                            .isPresent())) {
                found.add(new ChecklistItem(
                        line.id(),
                        line.name()
                                + " bears interest or a fee, but no line pays it: add its interest under Payments, or it "
                                + (line.standing().cash() == CashRow.DEPOSITS ? "earns" : "costs") + " nothing"));
            }
        }
    }

    /** Open items of a line for which none are kept count for nothing: that must not happen in silence. */
    private static void openItems(Plan plan, Books books, List<ChecklistItem> found) {
        for (Line line : plan.lines()) {
            // Lines that keep items may have many of them: they are not looked through.
            long open = LineItems.counts(line) || !plan.isActive(line)
                    ? 0
                    : books.items().of(line.id()).stream()
                            .filter(item -> item.amount().open() > 0)
                            .count();
            if (open > 0) {
                found.add(
                        new ChecklistItem(
                                line.id(),
                                line.name() + " has " + open + (open == 1 ? " open item" : " open items")
                                        + ", but is planned by its pattern alone: keep open items for it, or they count for nothing"));
            }
        }
    }

    /**
     * Cash booked on a line that keeps open items is paid on some of them. Where more was booked of late than its items
     * say was paid, an item that is still open may be paid already, and counts twice.
     */
    private static void notSettled(Plan plan, Books books, List<ChecklistItem> found) {
        LocalDate from = plan.settings().asOf().minusDays(BOOKED_OF_LATE);
        for (Line line : plan.lines()) {
            if (!plan.isActive(line) || !LineItems.counts(line)) {
                continue;
            }
            long booked = books.byLine().getOrDefault(line.id(), List.of()).stream()
                    .filter(m -> m.day().isAfter(from)
                            && !m.day().isAfter(plan.settings().asOf()))
                    .mapToLong(m -> m.minor() * line.direction().sign())
                    .sum();
            List<OpenItem> items = books.items().of(line.id());
            if (booked > 0 && items.stream().anyMatch(item -> item.amount().open() > 0)) {
                long paid = items.stream()
                        .filter(item -> item.kind() == OpenItem.Kind.INVOICE || item.kind() == OpenItem.Kind.COMMITMENT)
                        .filter(item -> item.paidOn() == null || item.paidOn().isAfter(from))
                        .mapToLong(item -> item.amount().gross() - item.amount().open())
                        .sum();
                if (booked > paid) {
                    found.add(
                            new ChecklistItem(
                                    line.id(),
                                    Money.words(booked - paid, plan.settings().currency()) + " more was booked on "
                                            + line.name() + " since " + DAY.format(from.plusDays(1))
                                            + " than its items say was paid: settle the movements, or bring in the ledger's list, lest an item counts that is paid"));
                }
            }
        }
    }

    /** Tax without a day of settlement is never paid (rules 7.3). */
    private static void salesTax(Plan plan, List<ChecklistItem> found) {
        List<Line> taxed = plan.lines().stream()
                .filter(line -> plan.isActive(line) && line.assumption().bearsTax())
                .toList();
        boolean settled = plan.lines().stream()
                .anyMatch(line -> plan.isActive(line) && line.standing().cash() == CashRow.SALES_TAX);
        if (!settled && !taxed.isEmpty()) {
            found.add(
                    new ChecklistItem(
                            null,
                            taxed.get(0).name()
                                    + (taxed.size() == 1 ? " bears" : " and " + (taxed.size() - 1) + " more bear")
                                    + " sales tax, but no line settles it: add one under Payments, or the tax is never paid over"));
        }
    }

    private static void ofLine(Plan plan, Accounts accounts, Line line, List<ChecklistItem> found) {
        LineAccount account = accounts.of(line);
        account.missing().forEach(sentence -> found.add(new ChecklistItem(line.id(), sentence)));
        if (line.assumption().lacksAmount()) {
            found.add(new ChecklistItem(line.id(), line.name() + " has no amount yet"));
        }
        account.mendOfOverdue().ifPresent(mend -> overdue(plan, accounts, line, mend, found));
    }
}
