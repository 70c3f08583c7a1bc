package ebbtide.statements;

import static java.util.Objects.requireNonNull;

import ebbtide.accounts.Accounts;
import ebbtide.accounts.AssetHolding;
import ebbtide.accounts.Earned;
import ebbtide.accounts.LineAccount;
import ebbtide.flows.LineFlows;
import ebbtide.forecast.Forecast;
import ebbtide.plan.CashRow;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.statements.Account.Cause;
import ebbtide.time.MonthSeries;
import ebbtide.time.Period;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntToLongFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The ledger of a forecast (rules 9.1): what each line earns, bills and pays by whole month from the opening balance
 * sheet on, and the accounts that follow. What a line is owed, or owes, grows by what it bills with its sales tax and
 * falls by its cash; what it bills otherwise than it earns stands as stock, prepaid or fixed assets. Days up to the
 * as-of date are facts in cash and the plan's in everything else.
 */
final class Ledger {
    private static final Set<CashRow> CAUSED_BY_COST = EnumSet.of(CashRow.PAY, CashRow.INTEREST);
    private final Plan plan;
    private final Forecast forecast;
    private final YearMonth first;
    private final int months;
    private final List<Period> periods = new ArrayList<>();
    private final Map<String, Line> lines = new LinkedHashMap<>();
    private final Map<String, List<AssetHolding.Month>> assets = new LinkedHashMap<>();
    private final Map<String, Earned> earnings = new LinkedHashMap<>();
    private final Map<String, MonthSeries> cash = new LinkedHashMap<>();
    private final Map<String, Kind> mains = new LinkedHashMap<>();
    private final List<Account> accounts = new ArrayList<>();
    private final MonthSeries nil;
    private final MonthSeries tax;
    private final MonthSeries points;
    private final MonthSeries profit;
    private final MonthSeries declared;
    private final long openingCash;
    /** Retained profit at the end of each month. */
    private final MonthSeries retained;

    Ledger(Forecast forecast) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.first = plan.settings().firstForecastMonth();
        this.months = (int) first.until(YearMonth.from(forecast.lastDay()), ChronoUnit.MONTHS) + 1;
        for (int i = 0; i < months; i++) {
            periods.add(new Period(
                    first.plusMonths(i).atDay(1), first.plusMonths(i + 1L).atDay(1)));
        }
        plan.lines().forEach(line -> lines.put(line.id(), line));
        this.nil = MonthSeries.nil(Timeline.monthNumber(first), months);
        Map<String, MonthSeries> declaredBy = new LinkedHashMap<>();
        Accounts accountsOfLines = forecast.accounts();
        // Each line earns and pays by itself, so both cores work it out.
        plan.lines().parallelStream()
                .filter(line -> !line.isGroup())
                .map(line -> new Worked(line, accountsOfLines.earned(line), cash(forecast.flowsOf(line.id()))))
                .toList()
                .forEach(one -> take(one, accountsOfLines, declaredBy));
        this.tax = sum(earnings.values().stream().map(Earned::tax));
        this.points = findSalesTax()
                .map(line -> accountsOfLines.salesTax(line).pointsByMonth())
                .orElse(nil);
        plan.lines().stream().filter(line -> !line.isGroup()).forEach(line -> open(line, declaredBy));
        openBesideLines();
        this.profit = sum(earnings.values().stream().map(Earned::earned));
        this.declared = sum(declaredBy.values().stream());
        this.openingCash = forecast.closing(first.atDay(1).minusDays(1));
        this.retained = Account.of(
                        Kind.RETAINED,
                        null,
                        Kind.RETAINED.words(),
                        openingRetained(),
                        nil,
                        List.of(new Cause("profit", profit), new Cause("declared", declared.negative())))
                .levels();
    }

    private long openingRetained() {
        return entries().stream()
                .filter(entry -> entry.kind() == Kind.RETAINED)
                .mapToLong(Entry::amount)
                .sum();
    }

    private MonthSeries sum(Stream<MonthSeries> all) {
        MonthSeries.Sum sum = new MonthSeries.Sum(nil.first(), months);
        all.forEach(one -> sum.add(one, 1));
        return sum.series();
    }

    private MonthSeries byMonth(IntToLongFunction amount) {
        MonthSeries.Sum sum = new MonthSeries.Sum(nil.first(), months);
        IntStream.range(0, months).forEach(i -> sum.add(nil.first() + i, amount.applyAsLong(i)));
        return sum.series();
    }

    /** What a line earns, and its cash by month. */
    private record Worked(Line line, Earned earned, MonthSeries cash) {}

    private void take(Worked worked, Accounts of, Map<String, MonthSeries> declaredBy) {
        Line line = worked.line();
        if (line.standing().holdsAssets()) {
            assets.put(line.id(), of.assets(line).months());
        } else if (line.standing().cash() == CashRow.DIVIDENDS) {
            declaredBy.put(line.id(), declared(line, of));
        }
        earnings.put(line.id(), worked.earned());
        cash.put(line.id(), worked.cash());
    }

    private MonthSeries cash(LineFlows flows) {
        Timeline timeline = forecast.timeline();
        return MonthSeries.of(nil.first(), nil.last(), month -> {
            int start = timeline.startOfMonth(month);
            return flows.cell(start, start + timeline.lengthOfMonth(month)).amount();
        });
    }

    boolean opensWithout() {
        return plan.settings().openingOfItsDay().isEmpty();
    }

    List<Entry> entries() {
        return plan.settings().openingOfItsDay().map(OpeningSheet::entries).orElse(List.of());
    }

    /** Makes the accounts of a line: its own, and that of what it bills otherwise than it earns. */
    private void open(Line line, Map<String, MonthSeries> declaredBy) {
        Earned one = earnings(line);
        Set<Kind> apart = line.standing().apart();
        List<Entry> mine = entries().stream()
                .filter(entry -> line.id().equals(entry.lineId()) && isAccount(entry))
                .toList();
        // What is typed of depreciation lowers fixed assets and nothing else, whatever an entry says.
        boolean noBills = line.assumption().isNonCash() && line.nature() != Nature.DEPRECIATION;
        List<Entry> ofMain = mine.stream()
                .filter(entry -> !apart.contains(entry.kind()) && !noBills)
                .toList();
        Kind main = ofMain.isEmpty() ? line.standing().own() : ofMain.get(0).kind();
        mains.put(line.id(), main);
        MonthSeries flows = cash(line);
        List<Cause> causes = new ArrayList<>();
        if (line.standing().cash() == CashRow.SALES_TAX) {
            causes.add(new Cause("tax points", points.negative()));
        } else if (declaredBy.containsKey(line.id())) {
            causes.add(new Cause("declared", declaredBy.get(line.id()).negative()));
        } else {
            causes.add(new Cause(CAUSED_BY_COST.contains(line.standing().cash()) ? "cost" : "billed", one.billed()));
            causes.add(new Cause("sales tax", one.tax()));
        }
        causes.add(new Cause(line.direction() == Direction.RECEIPT ? "received" : "paid", flows.negative()));
        accounts.add(Account.of(main, line.id(), line.name(), sum(ofMain), nil, causes));
        if (!apart.isEmpty()) {
            List<Entry> others =
                    mine.stream().filter(entry -> !ofMain.contains(entry)).toList();
            accounts.add(Account.of(
                    others.isEmpty() ? apart.iterator().next() : others.get(0).kind(),
                    line.id(),
                    line.name(),
                    sum(others),
                    nil,
                    List.of(
                            new Cause("billed", one.billed().negative()),
                            new Cause("cost of the month", one.earned()))));
        }
    }

    /** Cash is what the accounts at the bank have, retained profit what profit and dividends make of it. */
    private static boolean isAccount(Entry entry) {
        return !isAtBank(entry.kind()) && entry.kind() != Kind.RETAINED;
    }

    /** Returns whether what is typed of a kind counts for nothing, as the bank says it. */
    static boolean isAtBank(Kind kind) {
        return kind == Kind.CASH || kind == Kind.RESTRICTED_CASH;
    }

    private static long sum(List<Entry> entries) {
        return entries.stream()
                .mapToLong(entry -> entry.amount() * entry.kind().sign())
                .sum();
    }

    /**
     * Entries that no line clears stand as they are; movements of no line and tax that is not due yet have accounts of
     * their own.
     */
    private void openBesideLines() {
        entries().stream()
                .filter(entry -> isAccount(entry) && !mains.containsKey(String.valueOf(entry.lineId())))
                .forEach(entry -> accounts.add(Account.of(
                        entry.kind(),
                        null,
                        entry.name(),
                        entry.amount() * entry.kind().sign(),
                        nil,
                        List.of())));
        MonthSeries notDue = points.minus(tax);
        beside(
                Kind.SALES_TAX,
                findSalesTax().isPresent() ? "Sales tax that is not due yet" : "Sales tax that no line settles",
                "tax billed less tax points",
                notDue);
        beside(
                Kind.OTHER_RECEIVABLES,
                "Not assigned yet",
                "booked",
                unassigned().negative());
        MonthSeries setApart = byMonth(i -> restrictedAt(i) - restrictedAt(i - 1));
        if (restrictedAt(-1) != 0 || !setApart.isNil()) {
            accounts.add(Account.of(
                    Kind.RESTRICTED_CASH,
                    null,
                    Kind.RESTRICTED_CASH.words(),
                    restrictedAt(-1),
                    nil,
                    List.of(new Cause("booked", setApart))));
        }
        beside(
                Kind.OTHER_RECEIVABLES,
                "On the way between own accounts",
                "booked",
                transfers().plus(setApart).negative());
    }

    /** What restricted accounts hold at the end of a month; -1 is the opening. */
    long restrictedAt(int month) {
        LocalDate day = first.plusMonths(month + 1L).atDay(1).minusDays(1);
        return forecast.books().accounts().stream()
                .filter(ebbtide.books.Account::restricted)
                .mapToLong(account -> forecast.books().balance(account, day))
                .sum();
    }

    private void beside(Kind kind, String name, String cause, MonthSeries amounts) {
        if (!amounts.isNil()) {
            accounts.add(Account.of(kind, null, name, 0, nil, List.of(new Cause(cause, amounts))));
        }
    }

    MonthSeries unassigned() {
        return byMonth(i -> forecast.unassigned(Direction.RECEIPT, period(i)).amount()
                + forecast.unassigned(Direction.PAYMENT, period(i)).amount());
    }

    MonthSeries transfers() {
        return byMonth(i -> forecast.transfers(period(i)).amount());
    }

    private MonthSeries declared(Line line, Accounts of) {
        MonthSeries.Sum sum = new MonthSeries.Sum(nil.first(), months);
        if (plan.isActive(line)) {
            of.dividends(line).declared().forEach(one -> sum.add(Timeline.monthNumber(one.month()), one.amount()));
        }
        return sum.series();
    }

    private Optional<Line> findSalesTax() {
        return plan.lines().stream()
                .filter(line -> line.standing().cash() == CashRow.SALES_TAX && plan.isActive(line))
                .findFirst();
    }

    Plan plan() {
        return plan;
    }

    Forecast forecast() {
        return forecast;
    }

    /** Returns the account of a line, by which it falls due. */
    LineAccount account(Line line) {
        return forecast.accounts().of(line);
    }

    /** Returns the months of a line of assets. */
    List<AssetHolding.Month> assets(Line line) {
        return requireNonNull(assets.get(line.id()));
    }

    YearMonth first() {
        return first;
    }

    int months() {
        return months;
    }

    Period period(int month) {
        return periods.get(month);
    }

    List<Account> accounts() {
        return accounts;
    }

    Earned earnings(Line line) {
        return requireNonNull(earnings.get(line.id()));
    }

    MonthSeries cash(Line line) {
        return requireNonNull(cash.get(line.id()));
    }

    /** Returns the line that moves an account, if one does. */
    Optional<Line> line(Account account) {
        return Optional.ofNullable(account.lineId()).map(lines::get);
    }

    Section section(Line line) {
        return Section.of(line, mains.get(line.id()));
    }

    /** Returns cash at the end of a month; -1 is the opening. */
    long cashAt(int month) {
        return month < 0
                ? openingCash
                : forecast.closing(first.plusMonths(month + 1L).atDay(1).minusDays(1));
    }

    /**
     * A share of accumulated depreciation (rules 9.6): what it is of, and by month, -1 being the opening, how much has
     * been depreciated of what is still there.
     */
    record Depreciated(String name, IntToLongFunction at) {}

    /**
     * Returns what is depreciated of fixed assets: of assets by themselves, by what is typed of it, and what the
     * opening balance sheet has below nil; nothing without that sheet, as nobody knows then what was depreciated
     * before.
     */
    List<Depreciated> depreciated() {
        List<Depreciated> all = new ArrayList<>();
        if (opensWithout()) {
            return all;
        }
        int month = nil.first();
        for (Line line : lines.values()) {
            if (assets.containsKey(line.id()) && plan.isActive(line)) {
                AssetHolding account = forecast.accounts().assets(line);
                all.add(new Depreciated(line.name(), at -> account.accumulated(month + at)));
            } else if (line.nature() == Nature.DEPRECIATION && plan.isActive(line)) {
                MonthSeries charged = earnings(line).earned();
                all.add(new Depreciated(line.name(), at -> -charged.sum(month, month + at)));
            }
        }
        entries().stream()
                .filter(entry -> entry.kind() == Kind.FIXED_ASSETS && entry.amount() < 0)
                .forEach(entry -> all.add(new Depreciated(entry.name(), at -> -entry.amount())));
        return all;
    }

    /** Returns what is declared to owners in a month. */
    long declaredIn(int month) {
        return declared.at(month);
    }

    /** Returns profit after tax of a month: what all lines earn. */
    long profit(int month) {
        return profit.at(month);
    }

    /** Returns retained profit at the end of a month; -1 is the opening. */
    long retainedAt(int month) {
        return month < 0 ? openingRetained() : retained.at(month);
    }

    /**
     * Returns what the opening balance sheet lacks to balance, cash as the accounts have it: assets less what is owed
     * and equity.
     */
    long unplaced() {
        return cashAt(-1) + accounts.stream().mapToLong(Account::opening).sum() - retainedAt(-1);
    }
}
