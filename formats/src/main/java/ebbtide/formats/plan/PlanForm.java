package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.ifAny;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.OpenItem;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.SchemaBook;
import ebbtide.formats.document.Values;
import ebbtide.money.Check;
import ebbtide.plan.Buoy;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import ebbtide.whatif.Scenario;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

/** A plan file as a whole: the one description that reading, writing and the schemas follow. */
public final class PlanForm {
    /** The version of the format that is read and written. */
    public static final int VERSION = 1;

    static final String FORMAT = "ebbtide-plan";

    /** What stands in a plan file, as it stands there: public, since its parts are asked for by their names. */
    public record Content(
            String format,
            int version,
            Settings settings,
            List<Account> accounts,
            List<Line> lines,
            List<Buoy> buoys,
            List<AssignRule> rules,
            List<BankMovement> movements,
            List<OpenItem> items,
            List<Scenario> scenarios,
            @Nullable ActualLedger actual,
            @Nullable PlanPast past) {
        static Content of(PlanDocument document) {
            return new Content(
                    FORMAT,
                    VERSION,
                    document.plan().settings(),
                    document.accounts(),
                    document.plan().lines(),
                    document.plan().buoys(),
                    document.rules(),
                    document.movements(),
                    document.items(),
                    document.scenarios().all(),
                    document.actual().equals(ActualLedger.NONE) ? null : document.actual(),
                    document.past().equals(PlanPast.NONE) ? null : document.past());
        }
    }

    static final RecordForm<Content> FORM = RecordForm.of(
            Content.class,
            always("format", Values.always(FORMAT, "a plan file says \"format\": \"" + FORMAT + "\"")),
            always("version", Values.WHOLE.as(PlanForm::known, version -> version)),
            always("settings", SettingsForm.FORM),
            always("accounts", BooksForms.ACCOUNT.list()),
            always("lines", LineForm.FORM.list()),
            always("buoys", LineForm.BUOY.list()),
            always("rules", BooksForms.RULE.list()),
            always("movements", BooksForms.MOVEMENT.list()),
            always("items", BooksForms.ITEM.list()),
            always("scenarios", ScenarioForm.FORM.list()),
            ifAny("actual", LedgerForm.FORM).says("Trial balances of months that are over."),
            ifAny("past", PastForms.PAST).says("Snapshots and log, where they were asked for."));

    private PlanForm() {}

    private static Integer known(Integer version) {
        Check.that(version == VERSION, "this program reads version " + VERSION + " of the format, but was " + version);
        return version;
    }

    /** Returns the schema of plan files that can be read. */
    public static ObjectNode schema() {
        return SchemaBook.ofRead(FORM, "Ebbtide plan file, version " + VERSION);
    }

    /**
     * Returns what is named in a plan file as it is written, each under its name; references to them begin as is said.
     */
    public static ObjectNode written(String at) {
        return SchemaBook.named(FORM.named("planFile"), true, at);
    }

    /**
     * Returns what is named in a plan file as it may be read, each under its name; references to them begin as is said.
     */
    public static ObjectNode read(String at) {
        return SchemaBook.named(FORM.named("planFile"), false, at);
    }
}
