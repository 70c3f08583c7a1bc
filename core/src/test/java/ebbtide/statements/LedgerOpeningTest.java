package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Refused;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The opening balance sheet from the ledger (rules 9.5). */
class LedgerOpeningTest {
    private static LedgerRow row(Kind kind) {
        return Arrays.stream(LedgerRow.values())
                .filter(row -> row.kind().equals(java.util.Optional.of(kind)))
                .findFirst()
                .orElseThrow();
    }

    private static Map<Kind, Long> byKind(List<Entry> entries) {
        return entries.stream()
                .collect(Collectors.groupingBy(Entry::kind, TreeMap::new, Collectors.summingLong(Entry::amount)));
    }

    /** A ledger that has each kind of the opening sheet in one account, retained profit partly as sales of the year. */
    private static ActualLedger ledger(OpeningSheet sheet) {
        List<Balance> balances = new ArrayList<>();
        List<Said> said = new ArrayList<>();
        byKind(sheet.entries()).forEach((kind, amount) -> {
            // One account is called as a line is.
            String account = kind == Kind.DEBT ? "Loan" : "A" + kind;
            balances.add(new Balance(account, "", amount * kind.sign()));
            said.add(new Said(account, row(kind), null));
        });
        balances.add(new Balance("4000", "Sales", -70_000));
        said.add(new Said("4000", LedgerRow.SALES, null));
        return new ActualLedger(List.of(new TrialBalance(YearMonth.from(sheet.on()), balances)), said, false);
    }

    @Test
    void eachKind_hasWhatTheLedgerHas_withWhatLinesClearApart() {
        AtomicInteger parted = new AtomicInteger();
        RandomPlans.each(Asked.of(300), (some, seed) -> {
            OpeningSheet sheet = some.plan().settings().openingOfItsDay().orElse(null);
            if (sheet == null) {
                return;
            }
            Forecast forecast = Forecaster.forecast(some.plan(), some.books());
            OpeningSheet made = LedgerOpening.of(forecast, ledger(sheet));
            Map<Kind, Long> expected = new TreeMap<>(byKind(sheet.entries()));
            expected.merge(Kind.RETAINED, 70_000L, Long::sum);
            expected.values().removeIf(amount -> amount == 0);
            Map<Kind, Long> found = byKind(made.entries());
            found.values().removeIf(amount -> amount == 0);
            assertThat(found).isEqualTo(expected);
            Clearing clearing = new Clearing(new Ledger(forecast));
            for (Account account : new Ledger(forecast).accounts()) {
                made.entries().stream()
                        .filter(entry -> entry.lineId() != null
                                && entry.lineId().equals(account.lineId())
                                && entry.kind() == account.kind())
                        .forEach(entry -> {
                            parted.incrementAndGet();
                            assertThat(entry.amount() * entry.kind().sign())
                                    .isEqualTo(account.opening()
                                            - clearing.left(account).orElseThrow());
                        });
            }
        });
        assertThat(parted.get()).isPositive();
    }

    @Test
    void withoutATrialBalance_orWithAnAccountNotSaid_itIsRefusedInASentence() {
        Forecast forecast = Forecaster.forecast(ActualMonthsTest.company(), HandCompany.BOOKS);
        assertThatThrownBy(() -> LedgerOpening.of(forecast, ActualLedger.NONE))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no trial balance of March 2026");
        TrialBalance march = new TrialBalance(
                YearMonth.of(2026, 3), List.of(new Balance("1100", "Debtors", 500), new Balance("2", "", -500)));
        assertThatThrownBy(() -> LedgerOpening.of(
                        forecast,
                        new ActualLedger(List.of(march), List.of(new Said("2", LedgerRow.RETAINED, null)), false)))
                .hasMessageContaining("1100 Debtors is not said to be anything");
    }

    /** What was said of an entry of the same name holds again. */
    @Test
    void anEntryOfTheSameName_keepsThatItStays() {
        OpeningSheet before = new OpeningSheet(
                java.time.LocalDate.of(2026, 2, 28),
                List.of(new Entry("1500 Rent deposit", Kind.OTHER_ASSETS, 900, null, true)));
        var plan = ActualMonthsTest.company();
        Forecast forecast = Forecaster.forecast(
                new ebbtide.plan.Plan(plan.settings().withOpeningSheet(before), plan.lines(), List.of()),
                HandCompany.BOOKS);
        TrialBalance march = new TrialBalance(
                YearMonth.of(2026, 3),
                List.of(new Balance("1500", "Rent deposit", 1_000), new Balance("3000", "Capital", -1_000)));
        OpeningSheet made = LedgerOpening.of(
                forecast,
                new ActualLedger(
                        List.of(march),
                        List.of(
                                new Said("1500", LedgerRow.OTHER_ASSETS, null),
                                new Said("3000", LedgerRow.PAID_IN, null)),
                        false));
        assertThat(made.entries())
                .contains(
                        new Entry("1500 Rent deposit", Kind.OTHER_ASSETS, 1_000, null, true),
                        new Entry("3000 Capital", Kind.PAID_IN, 1_000, null, false));
    }
}
