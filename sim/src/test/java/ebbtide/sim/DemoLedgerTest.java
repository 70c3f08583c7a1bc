package ebbtide.sim;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.Habits;
import ebbtide.books.OpenItem;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.items.ItemColumns;
import ebbtide.formats.items.ItemList;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The lists of the demo's ledger come in whole, and habits learnt from them foretell better than due dates. */
class DemoLedgerTest {
    @ParameterizedTest
    @CsvSource({"restaurants", "grocery", "seed"})
    void list_isReadWhole_andItsHabitsBeatDueDates(String line) {
        Sheet sheet = SheetReader.read(Issued.list(line, DemoPlan.AS_OF).getBytes(StandardCharsets.UTF_8))
                .get(0);
        ItemList list = ItemList.read(
                sheet,
                ItemList.heading(sheet),
                ItemColumns.proposed(sheet.rows().get(0)),
                new ItemList.Reading(
                        new Line(
                                line, null, line, Direction.RECEIPT, true, null, "", new Assumption.Group(), List.of()),
                        Money.currency("GBP")));
        assertThat(list.problems()).isEmpty();
        assertThat(list.items()).hasSize(sheet.rows().size() - 1);
        assertThat(list.items())
                .anyMatch(item -> item.kind() == OpenItem.Kind.ORDER)
                .anyMatch(item -> item.amount().open() > 0);
        Habits.Backtest backtest = Habits.backtest(list.items());
        assertThat(backtest.items()).isGreaterThan(5);
        assertThat(backtest.habitError()).isLessThan(backtest.dueError());
    }
}
