package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.oneOf;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.money.Check;
import ebbtide.statements.KeptStatements;
import ebbtide.statements.KeptStatements.KeptRow;
import ebbtide.statements.StatementTable;
import ebbtide.statements.Statements;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/** The statements that are kept with a snapshot, as a plan file has them. */
final class KeptStatementsForm {
    /** The days of a month, both included. */
    public record WrittenMonth(LocalDate from, LocalDate to) {}

    /** The statements as they are written. */
    public record WrittenStatements(List<WrittenMonth> months, List<KeptRow> income, List<KeptRow> balance) {}

    private static final Form<List<KeptRow>> ROWS = RecordForm.of(
                    KeptRow.class,
                    always("id", FILLED),
                    usually("style", oneOf(StatementTable.Style.class), StatementTable.Style.LINE),
                    always("name", TEXT),
                    always("amounts", AMOUNT.list()).says("One for each month, signed."))
            .list();
    static final Form<KeptStatements> FORM = RecordForm.of(
                    WrittenStatements.class,
                    always(
                            "months",
                            RecordForm.of(WrittenMonth.class, always("from", DATE), always("to", DATE))
                                    .list()),
                    always("income", ROWS),
                    always("balance", ROWS).says("At the end of each month."))
            .as(KeptStatementsForm::read, KeptStatementsForm::written);

    private KeptStatementsForm() {}

    private static KeptStatements read(WrittenStatements written) {
        List<Period> months = written.months().stream()
                .map(month -> new Period(month.from(), month.to().plusDays(1)))
                .toList();
        for (List<KeptRow> rows : List.of(written.income(), written.balance())) {
            Check.that(
                    rows.stream().allMatch(row -> row.amounts().size() == months.size()),
                    "A row of kept statements has an amount for each of its months");
        }
        return new KeptStatements(
                months, Map.of(Statements.Kind.INCOME, written.income(), Statements.Kind.BALANCE, written.balance()));
    }

    private static WrittenStatements written(KeptStatements of) {
        return new WrittenStatements(
                of.months().stream()
                        .map(month -> new WrittenMonth(month.startInclusive(), month.lastDay()))
                        .toList(),
                of.rows(Statements.Kind.INCOME),
                of.rows(Statements.Kind.BALANCE));
    }
}
