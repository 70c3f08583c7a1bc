package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.AssignRule;
import ebbtide.books.OpenItem;
import ebbtide.formats.document.Form;
import ebbtide.formats.plan.kinds.LineKinds;
import ebbtide.plan.Assumption;
import ebbtide.plan.Buoy;
import ebbtide.plan.LastYear;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Remark;
import ebbtide.plan.Settings;
import ebbtide.plan.YearsPlan;
import ebbtide.statements.KeptStatements;
import ebbtide.whatif.Scenario;
import java.io.OutputStream;
import java.util.Currency;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Writing of a plan file, or of a part of a plan, as {@link PlanReader} reads it back. Amounts are decimal text. */
public final class PlanWriter {
    private PlanWriter() {}

    /** Writes a document, indented for reading. */
    public static void write(PlanDocument document, OutputStream out) {
        PlanReader.MAPPER
                .writerWithDefaultPrettyPrinter()
                .writeValue(
                        out,
                        PlanForm.FORM.write(
                                PlanForm.Content.of(document),
                                document.plan().settings().currency()));
    }

    /** Returns the JSON object of settings. */
    public static ObjectNode json(Settings settings) {
        return json(SettingsForm.FORM, settings, settings.currency());
    }

    /** Returns the JSON object of a line in a currency. */
    public static ObjectNode json(Line line, Currency currency) {
        return json(LineForm.FORM, line, currency);
    }

    /** Returns the JSON object of what a line assumes, in a currency. */
    public static ObjectNode json(Assumption assumption, Currency currency) {
        return json(LineKinds.FORM, assumption, currency);
    }

    /** Returns the JSON object of an account in a currency. */
    public static ObjectNode json(Account account, Currency currency) {
        return json(BooksForms.ACCOUNT, account, currency);
    }

    /** Returns the JSON object of an open item in a currency. */
    public static ObjectNode json(OpenItem item, Currency currency) {
        return json(BooksForms.ITEM, item, currency);
    }

    /** Returns the JSON object of a rule in a currency. */
    public static ObjectNode json(AssignRule rule, Currency currency) {
        return json(BooksForms.RULE, rule, currency);
    }

    /** Returns the JSON object of what the ledger says of months that are over, or of one of its months. */
    public static ObjectNode json(ActualLedger ledger, Currency currency) {
        return json(LedgerForm.FORM, ledger, currency);
    }

    /** Returns the JSON object of statements that a snapshot keeps. */
    public static ObjectNode json(KeptStatements statements, Currency currency) {
        return json(KeptStatementsForm.FORM, statements, currency);
    }

    /** Returns the JSON object of a buoy, which has no amounts. */
    public static ObjectNode json(Buoy buoy) {
        return json(LineForm.BUOY, buoy, SettingsForm.MOST_DECIMALS);
    }

    /** Returns the JSON array of answers to what was said on a figure. */
    public static JsonNode json(List<Remark> answers) {
        return LineForm.REMARKS.write(answers, SettingsForm.MOST_DECIMALS);
    }

    /** Returns the JSON object of an opening balance sheet in a currency. */
    public static ObjectNode json(OpeningSheet sheet, Currency currency) {
        return json(StatementForms.OPENING_SHEET, sheet, currency);
    }

    /** Returns the JSON object of years in a currency. */
    public static ObjectNode json(YearsPlan years, Currency currency) {
        return json(YearsForm.FORM, years, currency);
    }

    /** Returns the JSON object of a last year in a currency. */
    public static ObjectNode json(LastYear last, Currency currency) {
        return json(YearsForm.LAST_YEAR, last, currency);
    }

    /** Returns the JSON object of a scenario in a currency. */
    public static ObjectNode json(Scenario scenario, Currency currency) {
        return json(ScenarioForm.FORM, scenario, currency);
    }

    private static <T> ObjectNode json(Form<T> form, T value, Currency currency) {
        return (ObjectNode) form.write(value, currency);
    }
}
