package ebbtide.formats.opening;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Opening balance sheets as people have them: from a ledger's trial balance, a spreadsheet, or typed in a hurry. */
class OpeningListTest {
    private static final Plan PLAN = new Plan(
            Settings.of("P", Money.currency("GBP"), LocalDate.of(2026, 2, 28)),
            List.of(
                    new Line(
                            "hotels",
                            null,
                            "Hotels",
                            Direction.RECEIPT,
                            true,
                            null,
                            "",
                            new Assumption.Group(),
                            List.of()),
                    new Line(
                            "shop",
                            null,
                            "Shop",
                            Direction.RECEIPT,
                            true,
                            null,
                            "",
                            DatedItems.untaxed(List.of(), ebbtide.time.Convention.NONE),
                            List.of())),
            List.of());

    private static OpeningList read(String text) {
        return OpeningList.read(
                SheetReader.read(text.getBytes(StandardCharsets.UTF_8)).get(0), PLAN);
    }

    /** Debits of assets and credits of what is owed stand above zero; the other side of either below. */
    @Test
    void trialBalance_withDebitAndCredit_standsOnItsSides() {
        OpeningList list = read(
                "Account;Debit;Credit\nBank;1.200,50;\nTrade debtors;900,00;\nBad customers;;100,00\nTrade creditors;;700,00\nVAT;20,00;\n\n");
        assertThat(list.problems()).isEmpty();
        assertThat(list.entries())
                .containsExactly(
                        new Entry("Bank", Kind.CASH, 120_050, null, false),
                        new Entry("Trade debtors", Kind.RECEIVABLES, 90_000, null, false),
                        new Entry("Bad customers", Kind.RECEIVABLES, -10_000, null, false),
                        new Entry("Trade creditors", Kind.PAYABLES, 70_000, null, false),
                        new Entry("VAT", Kind.SALES_TAX, -2_000, null, false));
    }

    @Test
    void columns_withoutAHeading_areToldByTheirNumber() {
        assertThat(read("Stock of ice\t12").entries())
                .containsExactly(new Entry("Stock of ice", Kind.STOCK, 1_200, null, false));
        assertThat(read("Fixed assets\tSheds\t5000").entries())
                .containsExactly(new Entry("Sheds", Kind.FIXED_ASSETS, 500_000, null, false));
        assertThat(read("receivables\tTakings\t10\tshop\nother-payables\tDeposit\t7\tstays")
                        .entries())
                .containsExactly(
                        new Entry("Takings", Kind.RECEIVABLES, 1_000, "shop", false),
                        new Entry("Deposit", Kind.OTHER_PAYABLES, 700, null, true));
    }

    @ParameterizedTest
    @CsvSource({
        "Corporation tax, PROFIT_TAX",
        "Wages owed, PAY_OWED",
        "Share capital, PAID_IN",
        "Reserves, RETAINED",
        "Harbour loan, DEBT",
        "Accrued power, ACCRUED",
        "Prepayments, PREPAID",
        "Interest due, INTEREST_OWED",
        "Dividend of last year, DIVIDENDS",
        "Provision for repairs, PROVISIONS",
        "Delivery vehicles, FIXED_ASSETS"
    })
    void names_ofTheTrade_tellWhatTheyAre(String name, Kind kind) {
        assertThat(read(name + "\t1").entries()).extracting(Entry::kind).containsExactly(kind);
    }

    @Test
    void rowsThatCannotBeRead_areNamedWithWhatToMend_andTheOthersStay() {
        OpeningList list = OpeningList.read(
                new Sheet(
                        "s",
                        List.of(
                                List.of("Name", "Amount", "Line"),
                                List.of("Things", "5", ""),
                                List.of("Bank", "much", ""),
                                List.of("", "5", ""),
                                List.of("Cash box", "", ""),
                                List.of("Customers", "9", "Market"),
                                List.of("Stock", "4", ""),
                                List.of("Stock", "4", ""))),
                PLAN);
        assertThat(list.entries()).extracting(Entry::name).containsExactly("Stock");
        assertThat(list.problems()).extracting(NamedRows.Unread::row).containsExactly(2, 3, 4, 5, 6, 8);
        assertThat(list.problems())
                .extracting(NamedRows.Unread::sentence)
                .satisfiesExactly(
                        one -> assertThat(one).startsWith("'Things' does not say what it is: put one of Cash, "),
                        one -> assertThat(one).contains("'much' is no amount"),
                        one -> assertThat(one).startsWith("This row has no name"),
                        one -> assertThat(one).startsWith("'Cash box' has no amount"),
                        one -> assertThat(one).startsWith("There is no line called 'Market'"),
                        one -> assertThat(one).contains("is there twice"));
    }
}
