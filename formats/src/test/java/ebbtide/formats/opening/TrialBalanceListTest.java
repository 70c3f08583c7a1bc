package ebbtide.formats.opening;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.formats.budget.SheetReader;
import ebbtide.money.Money;
import java.nio.charset.StandardCharsets;
import java.time.YearMonth;
import java.util.Currency;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Trial balances brought in as rows, and what their accounts' names say (rules 9.5). */
class TrialBalanceListTest {
    private static final Currency GBP = Money.currency("GBP");

    private static TrialBalanceList read(String rows) {
        return TrialBalanceList.read(
                SheetReader.read(rows.getBytes(StandardCharsets.UTF_8)).get(0), YearMonth.of(2026, 1), GBP);
    }

    @Test
    void rows_withAndWithoutAHeading_areTheSame() {
        var expected =
                java.util.List.of(new Balance("4000", "Sales", -3_800_050), new Balance("1000", "Bank", 3_800_050));
        assertThat(read("Account,Name,Debit,Credit\n4000,Sales,,\"38,000.50\"\n1000,Bank,38000.50,\n")
                        .balance()
                        .balances())
                .isEqualTo(expected);
        assertThat(read("Name\tNumber\tBalance\nSales\t4000\t-38,000.50\nBank\t1000\t38,000.50\n")
                        .balance()
                        .balances())
                .isEqualTo(expected);
        assertThat(read("4000,Sales,-38000.50\n1000,Bank,38000.50\n").balance().balances())
                .isEqualTo(expected);
        assertThat(read("4000,Sales,,38000.50\n1000,Bank,38000.50,\n").balance().balances())
                .isEqualTo(expected);
        assertThat(read("Sales,-38000.50\nBank,38000.50\n").balance().balances())
                .containsExactly(new Balance("Sales", "Sales", -3_800_050), new Balance("Bank", "Bank", 3_800_050));
    }

    @Test
    void rowsThatCannotBeRead_areNamed() {
        assertThat(read("4000,Sales,-1\n4000,Sales,-1\n,,\n5000,Rent,lots\n").problems())
                .extracting(NamedRows.Unread::row)
                .containsExactly(2, 4);
    }

    @ParameterizedTest
    @CsvSource(textBlock = """
            Sales at home,            -1, SALES
            Sales tax,                -1, SALES_TAX
            Cost of sales,             1, COST
            Wages and salaries,        1, OVERHEADS
            Wages owed,               -1, PAY_OWED
            Bank charges,              1, OVERHEADS
            Harbour bank,              1, CASH
            Interest,                  1, INTEREST
            Interest owed,            -1, INTEREST_OWED
            Interest received,        -1, INTEREST_ON_CASH
            Depreciation of the year,  1, DEPRECIATION
            Depreciation of machines, -1, ACCUMULATED_DEPRECIATION
            Machines,                  1, FIXED_ASSETS
            Trade debtors,             1, RECEIVABLES
            Trade creditors,          -1, PAYABLES
            Profit tax,                1, PROFIT_TAX_OF_THE_YEAR
            Profit tax,               -1, PROFIT_TAX
            """)
    void names_onTheirSide_sayWhatAnAccountIs(String name, long minor, LedgerRow row) {
        assertThat(AccountNames.proposed(new Balance("1", name, minor))).contains(row);
    }

    @Test
    void aNameThatSaysNothing_proposesNothing() {
        assertThat(AccountNames.proposed(new Balance("1", "Clearing 7", 1))).isEmpty();
        assertThat(AccountNames.proposed(new Balance("1", "Sales", 0))).isEmpty();
    }
}
