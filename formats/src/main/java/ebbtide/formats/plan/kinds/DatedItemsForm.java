package ebbtide.formats.plan.kinds;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.TEXT;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.RecordForm;
import ebbtide.plan.Certainty;
import ebbtide.plan.DatedItem;
import ebbtide.plan.DatedItems;

/** Dated items as a plan file has them. */
final class DatedItemsForm {
    private static final Form<DatedItem> ITEM = RecordForm.of(
            DatedItem.class,
            always("date", DATE),
            always("amount", AMOUNT),
            usually("certainty", CommonForms.CERTAINTY, Certainty.CERTAIN),
            usually("note", TEXT, ""));
    static final RecordForm<DatedItems> FORM = RecordForm.of(
            DatedItems.class, always("items", ITEM.list()), CommonForms.tax(), CommonForms.conventionOfDirection());

    private DatedItemsForm() {}
}
