package ebbtide.accounts;

import static java.util.Map.entry;
import static java.util.Objects.requireNonNull;

import ebbtide.derive.Derived;
import ebbtide.derive.Lazy;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.Pay;
import ebbtide.plan.Recurring;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermLoan;
import ebbtide.time.MonthSeries;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The accounts of the lines that do not follow from profit, nor from interest that profit bears: they are the same
 * whatever the sweep finds.
 */
final class AccountsApart {
    /**
     * How the account of each kind of line is made: what it reads, and what follows from that and from nothing else.
     */
    static final Map<Class<? extends Assumption>, Kind<?>> KINDS = Map.ofEntries(
            entry(Assumption.Group.class, new Kind<>(AccountsApart::own, QuietAccount::new)),
            entry(Assumption.Stream.class, new Kind<>(AccountsApart::stream, StreamAccount::new)),
            entry(Recurring.class, new Kind<>(AccountsApart::own, RecurringAccount::new)),
            entry(DatedItems.class, new Kind<>(AccountsApart::own, DatedAccount::new)),
            entry(Pay.class, new Kind<>(AccountsApart::pay, PayAccount::new)),
            entry(SalesTaxSettlement.class, new Kind<>(AccountsApart::salesTax, SalesTaxAccount::new)),
            entry(CapitalSpending.class, new Kind<>(AccountsApart::own, AssetAccount::new)),
            entry(Revolving.class, new Kind<>(AccountsApart::own, FacilityAccount::new)),
            entry(TermLoan.class, new Kind<>(AccountsApart::own, LoanAccount::new)),
            entry(TermDeposit.class, new Kind<>(AccountsApart::own, DepositAccount::new)),
            entry(Lease.class, new Kind<>(AccountsApart::own, AccountsApart::lease)));

    private final Foundations below;
    private final Derived<Object, LineAccount> accounts;
    private final Lazy<Map<String, MonthSeries>> charged;
    private final Lazy<MonthSeries> earned = Lazy.of(this::sum);

    /** How accounts of a kind are made. */
    record Kind<R>(BiFunction<AccountsApart, Line, R> reads, Function<R, LineAccount> made) {
        @SuppressWarnings("unchecked")
        LineAccount make(Object read) {
            return made.apply((R) read);
        }
    }

    AccountsApart(Foundations below, Optional<AccountsApart> before) {
        this.below = below;
        this.accounts = before.map(one -> one.accounts.next()).orElseGet(Derived::none);
        this.charged = Lazy.of(() -> TypedDepreciation.of(below, this::of));
    }

    Foundations below() {
        return below;
    }

    static boolean has(Line line) {
        return KINDS.containsKey(line.assumption().getClass());
    }

    LineAccount of(Line line) {
        Kind<?> kind = requireNonNull(KINDS.get(line.assumption().getClass()));
        return accounts.of(line.id(), () -> kind.reads().apply(this, line), kind::make);
    }

    /**
     * Returns what a line earns by month: its account's, of typed depreciation no more than is left of fixed assets.
     */
    Earned earned(Line line) {
        Earned own = of(line).earned();
        MonthSeries held = charged.get().get(line.id());
        return held == null ? own : own.earning(held);
    }

    /** Returns what all of them that are switched on earn by month, to the last month that is earned. */
    MonthSeries earned() {
        return earned.get();
    }

    private MonthSeries sum() {
        MonthSeries.Sum sum = below.frame().earning();
        below.plan().lines().stream()
                .filter(line -> below.plan().isActive(line) && has(line))
                .forEach(line -> sum.add(earned(line).earned(), 1));
        return sum.series();
    }

    private static LineAccount lease(OwnReads reads) {
        return ((Lease) reads.line().assumption()).isRent() ? new RentAccount(reads) : new LeaseAccount(reads);
    }

    private OwnReads own(Line line) {
        return new OwnReads(line, below.frame());
    }

    private StreamBilling.Reads stream(Line line) {
        boolean buys = ((Assumption.Stream) line.assumption()).method() instanceof ActivityMethod.StockPurchases;
        return new StreamBilling.Reads(
                line,
                below.frame(),
                below.activity().planned(line),
                below.beforeLate().planned(line),
                buys ? Optional.of(below.activity().stock(line)) : Optional.empty(),
                below.items().line(line));
    }

    private PayAccount.Reads pay(Line line) {
        return new PayAccount.Reads(
                line,
                below.frame(),
                line.reads().stream().distinct().collect(Collectors.toMap(id -> id, below.activity()::net)));
    }

    private SalesTaxAccount.Reads salesTax(Line line) {
        TaxPoints.Basis basis = SalesTaxAccount.basis(line, below.frame());
        return new SalesTaxAccount.Reads(
                line,
                below.frame(),
                basis,
                below.plan().lines().stream()
                        .filter(one ->
                                below.plan().isActive(one) && one.assumption().bearsTax())
                        .map(one -> new SalesTaxAccount.Bearing(
                                one.id(), one.name(), one.direction(), of(one).taxPoints(basis)))
                        .toList());
    }
}
