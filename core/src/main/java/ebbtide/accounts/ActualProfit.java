package ebbtide.accounts;

import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Booked;
import ebbtide.books.ActualLedger.Change;
import ebbtide.books.ActualLedger.Said;
import ebbtide.plan.CashRow;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.Plan;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The profit of months that are over, as the ledger has it (rules 9.5): what tax on profit, payouts and covenants read
 * of it in place of what is typed.
 */
public final class ActualProfit {
    private final Plan plan;
    private final Map<String, Said> said;
    private final List<Span> spans = new ArrayList<>();

    /**
     * What some months came to, one where each has a trial balance, in minor units: EBITDA, interest on debt as a cost,
     * profit before tax, and tax on profit as a cost.
     */
    public record Span(YearMonth since, YearMonth month, long ebitda, long interest, long beforeTax, long tax) {
        long afterTax() {
            return beforeTax - tax;
        }
    }

    private ActualProfit(Plan plan, ActualLedger ledger) {
        this.plan = plan;
        this.said = ledger.byAccount();
        for (Booked one : ledger.booked(plan.settings().firstFiscalMonth())) {
            if (one.month().isBefore(plan.settings().firstForecastMonth())) {
                spans.add(span(one));
            }
        }
    }

    /** Returns what the ledger of a plan says. */
    public static ActualProfit of(Plan plan, ActualLedger ledger) {
        return new ActualProfit(plan, ledger);
    }

    private enum Part {
        EBITDA,
        INTEREST,
        BELOW,
        TAX
    }

    private Span span(Booked booked) {
        long[] sums = new long[Part.values().length];
        for (Change one : booked.changes()) {
            part(one.account().account()).ifPresent(part -> sums[part.ordinal()] -= one.minor());
        }
        return new Span(
                booked.since(),
                booked.month(),
                sums[Part.EBITDA.ordinal()],
                -sums[Part.INTEREST.ordinal()],
                sums[Part.EBITDA.ordinal()] + sums[Part.INTEREST.ordinal()] + sums[Part.BELOW.ordinal()],
                -sums[Part.TAX.ordinal()]);
    }

    /** The part of profit that an account was said to be, nothing for one of the balance sheet or none. */
    private Optional<Part> part(String account) {
        Said is = said.get(account);
        if (is == null) {
            return Optional.empty();
        }
        if (is.row() != null) {
            return switch (is.row()) {
                case SALES,
                        DISCOUNTS_ALLOWED,
                        CREDIT_NOTES,
                        COST,
                        DISCOUNTS_TAKEN,
                        SUPPLIERS_CREDIT_NOTES,
                        OTHER,
                        OVERHEADS,
                        BAD_DEBTS -> Optional.of(Part.EBITDA);
                case DEPRECIATION, GAIN, INTEREST_ON_CASH -> Optional.of(Part.BELOW);
                case INTEREST -> Optional.of(Part.INTEREST);
                case PROFIT_TAX_OF_THE_YEAR -> Optional.of(Part.TAX);
                default -> Optional.empty();
            };
        }
        return plan.findLine(is.line()).flatMap(ActualProfit::part);
    }

    private static Optional<Part> part(Line line) {
        CashRow row = line.standing().cash();
        if (row == CashRow.PROFIT_TAX) {
            return Optional.of(Part.TAX);
        }
        if (row == CashRow.INTEREST) {
            return Optional.of(
                    line.assumption().findInterest().filter(Interest::isOnDebt).isPresent()
                            ? Part.INTEREST
                            : Part.BELOW);
        }
        if (line.nature() == Nature.OUTSIDE || line.standing().holdsAssets()) {
            return Optional.empty();
        }
        return Optional.of(line.nature() == Nature.DEPRECIATION ? Part.BELOW : Part.EBITDA);
    }

    /** Returns the months with one trial balance that a month is among. */
    public Optional<Span> of(YearMonth month) {
        return spans.stream()
                .filter(one -> !month.isBefore(one.since()) && !month.isAfter(one.month()))
                .findFirst();
    }

    /**
     * Returns what the months from one to another came to, both included: nothing where the ledger does not have all of
     * them, and no others with them.
     */
    Optional<Span> sum(YearMonth from, YearMonth to) {
        long ebitda = 0;
        long interest = 0;
        long beforeTax = 0;
        long tax = 0;
        YearMonth next = from;
        for (Span one : spans) {
            if (one.since().equals(next) && !one.month().isAfter(to)) {
                ebitda += one.ebitda();
                interest += one.interest();
                beforeTax += one.beforeTax();
                tax += one.tax();
                next = one.month().plusMonths(1);
            }
        }
        return next.equals(to.plusMonths(1))
                ? Optional.of(new Span(from, to, ebitda, interest, beforeTax, tax))
                : Optional.empty();
    }

    /** Returns the fiscal year so far before the first month that is forecast; nothing where one begins with that. */
    Optional<Span> yearSoFar() {
        YearMonth open = plan.settings().firstForecastMonth();
        YearMonth begins = begins(open);
        return begins.equals(open) ? Optional.empty() : sum(begins, open.minusMonths(1));
    }

    /** Returns the last whole fiscal year before the first month that is forecast. */
    Optional<Span> lastYear() {
        YearMonth begins = begins(plan.settings().firstForecastMonth());
        return sum(begins.minusYears(1), begins.minusMonths(1));
    }

    private YearMonth begins(YearMonth month) {
        Month first = plan.settings().firstFiscalMonth();
        return month.minusMonths(Math.floorMod(month.getMonthValue() - first.getValue(), 12));
    }
}
