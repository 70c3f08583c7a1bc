package ebbtide.formats.opening;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.formats.budget.Sheet;
import ebbtide.money.Money;
import ebbtide.plan.LastYear.Entry;
import ebbtide.plan.YearRow;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A last year read from rows: what each is by its name, its sign, its id, and what is left out. */
class LastYearListTest {
    private static LastYearList read(String... rows) {
        return LastYearList.read(
                new Sheet(
                        "S",
                        List.of(rows).stream()
                                .map(row -> List.of(row.split("\t")))
                                .toList()),
                Money.currency("GBP"));
    }

    /** Each holds a word of another: what is owed of interest is no interest, what is spent on sales no sales. */
    @ParameterizedTest
    @CsvSource({
        "Net sales, SALES",
        "Sales and marketing, OVERHEAD",
        "Sales tax, CURRENT_LIABILITY",
        "Cost of sales, COST_OF_SALES",
        "Interest, INTEREST",
        "Interest payable, CURRENT_LIABILITY",
        "Interest received, INTEREST_ON_CASH",
        "Bank charges, OVERHEAD",
        "Bank loan, DEBT",
        "Bank, CASH",
        "Rent, OVERHEAD",
        "Rent received, OTHER_INCOME",
        "Corporation tax, PROFIT_TAX",
        "Tax payable, TAX_OWED",
        "Accumulated depreciation, ACCUMULATED",
        "Depreciation, DEPRECIATION",
        "Dividends payable, CURRENT_LIABILITY",
        "Trade debtors, RECEIVABLES"
    })
    void row_isWhatItsNameSays(String name, YearRow row) {
        assertThat(read(name + "\t100").entries()).extracting(Entry::row).containsExactly(row);
    }

    @Test
    void costsAreTakenWithTheirMinusOrWithout_sumsLeftOut_andIdsNoSumHas() {
        LastYearList list = read("Rent\t-1,200", "Gross profit\t9", "Total assets\t9");
        assertThat(list.entries()).extracting(Entry::amount).containsExactly(120_000L);
        list = read("Overhead\tRent\t-1,200", "Overhead\tProfit\t5", "Overhead\tRent\t7");
        assertThat(list.entries())
                .extracting(one -> one.id() + " " + one.amount())
                .containsExactly("rent 120000", "profit-2 500", "rent-2 700");
    }
}
