package ebbtide.formats.plan.kinds;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.Kinds;
import ebbtide.formats.document.Kinds.Kind;
import ebbtide.formats.document.RecordForm;
import ebbtide.plan.Assumption;
import java.util.List;

/** The one list of the kinds of line in a plan file: the word of each, and its form. */
public final class LineKinds {
    public static final Kinds<Assumption> ALL = new Kinds<>(
            "A line is of the kind",
            "",
            List.of(
                    new Kind("group", RecordForm.of(Assumption.Group.class)),
                    new Kind("stream", StreamForm.FORM),
                    new Kind("recurring", RecurringForm.FORM),
                    new Kind("items", DatedItemsForm.FORM),
                    new Kind("sales-tax", SalesTaxForm.FORM),
                    new Kind("pay", PayForm.FORM),
                    new Kind("profit-tax", ProfitTaxForm.FORM),
                    new Kind("capital", CapitalForm.FORM),
                    new Kind("dividends", DividendsForm.FORM),
                    new Kind("revolving", RevolvingForm.FORM),
                    new Kind("loan", LoanForm.FORM),
                    new Kind("deposit", DepositForm.FORM),
                    new Kind("lease", LeaseForm.FORM),
                    new Kind("interest", InterestForm.FORM)));
    public static final Form<Assumption> FORM = ALL.named("assumption");

    private LineKinds() {}
}
