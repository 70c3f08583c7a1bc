package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.MONTH;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.filled;
import static ebbtide.formats.document.Values.oneOf;

import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.books.TrialBalance.Balance;
import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import java.util.List;

/** What the ledger says of months that are over, as a plan file has it. */
final class LedgerForm {
    static final Form<TrialBalance> MONTH_OF_LEDGER = RecordForm.of(
                    TrialBalance.class,
                    always("month", MONTH),
                    always(
                            "balances",
                            RecordForm.of(
                                            Balance.class,
                                            always("account", filled(80)).says("Its number, or its name."),
                                            usually("name", TEXT, ""),
                                            always("balance", AMOUNT)
                                                    .of("minor")
                                                    .says("Debits less credits."))
                                    .list()))
            .named("trialBalance");
    private static final Form<Said> SAID = RecordForm.of(
            Said.class,
            always("account", filled(80)),
            ifAny("row", oneOf(LedgerRow.class)).says("The row of the statements that it is."),
            ifAny("line", TEXT).says("The id of the line that it is, in place of a row."));
    static final Form<ActualLedger> FORM = RecordForm.of(
                    ActualLedger.class,
                    always("months", MONTH_OF_LEDGER.list()),
                    unless(List.<Said>of(), "accounts", SAID.list()).says("What accounts were said to be."),
                    usually("monthAlone", FLAG, false)
                            .says("Income accounts begin anew each month in place of each fiscal year."))
            .named("actualLedger");

    private LedgerForm() {}
}
