package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.ActualLedger;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.OpenItem;
import ebbtide.formats.document.JsonPlace;
import ebbtide.formats.document.Parts;
import ebbtide.plan.Buoy;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.plan.Settings;
import ebbtide.whatif.Scenarios;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What only shows between the parts of a plan file: lines, accounts, movements and items that refer to one another. */
final class DocumentCheck {
    private final JsonPlace root;
    private final Set<String> accountIds = new HashSet<>();
    private final Set<String> lineIds = new HashSet<>();
    private final Set<String> groupIds = new HashSet<>();

    private DocumentCheck(JsonPlace root, List<Account> accounts, List<Line> lines) {
        this.root = root;
        accounts.forEach(account -> accountIds.add(account.id()));
        lines.forEach(line -> (line.isGroup() ? groupIds : lineIds).add(line.id()));
    }

    /** Returns the document at a place; null where it has left problems behind. */
    static @Nullable PlanDocument document(JsonPlace root) {
        if (root.at("settings").isAbsent()) {
            root.at("settings").problem("Missing: the settings of the plan");
        }
        JsonPlace place = root.in(SettingsForm.currencyOf(root.at("settings")));
        Parts read = PlanForm.FORM.parts(place);
        PlanForm.FORM.refuseOthers(place);
        Settings settings = read.find("settings", Settings.class);
        // What is unreadable leaves a gap: what only shows between lines is checked when all are there, so that places
        // are true.
        if (settings == null
                || root.at("lines").isFaulty()
                || root.at("accounts").isFaulty()) {
            return null;
        }
        List<Account> accounts = read.list("accounts");
        List<Line> lines = read.list("lines");
        List<Buoy> buoys = read.list("buoys");
        List<AssignRule> rules = read.list("rules");
        List<BankMovement> movements = read.list("movements");
        List<OpenItem> items = read.list("items");
        Plan plan = new Plan(settings, lines, buoys);
        PlanCheck.problems(plan).forEach(root::problemAt);
        new DocumentCheck(root, accounts, lines).check(lines, movements, items);
        Scenarios scenarios = new Scenarios(read.list("scenarios"));
        scenarios.problems().forEach(root::problemAt);
        PlanPast past = read.find("past", PlanPast.class);
        ActualLedger actual = Objects.requireNonNullElse(read.find("actual", ActualLedger.class), ActualLedger.NONE);
        ofLedger(root, plan, actual);
        return new PlanDocument(
                plan, accounts, rules, movements, items, scenarios, actual, past == null ? PlanPast.NONE : past);
    }

    private static void ofLedger(JsonPlace root, Plan plan, ActualLedger actual) {
        for (int i = 0; i < actual.accounts().size(); i++) {
            String line = actual.accounts().get(i).line();
            if (line != null && plan.findLine(line).isEmpty()) {
                root.problemAt(new PlanProblem(
                        "/actual/accounts/" + i + "/line",
                        "The line '" + line + "' is not in the file: say another line, or a row"));
            }
        }
    }

    private void check(List<Line> lines, List<BankMovement> movements, List<OpenItem> items) {
        lines.stream()
                .filter(line -> line.account() != null && !accountIds.contains(line.account()))
                .forEach(line -> root.at("lines")
                        .problem("'" + line.name() + "' is paid through an account that is not in the file ('"
                                + line.account() + "')"));
        for (int i = 0; i < movements.size(); i++) {
            check(movements.get(i), "/movements/" + i);
        }
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < items.size(); i++) {
            OpenItem item = items.get(i);
            if (!lineIds.contains(item.lineId())) {
                root.problemAt(new PlanProblem(
                        "/items/" + i + "/line", "The line '" + item.lineId() + "' is not in the file, or is a group"));
            }
            if (!seen.add(item.id())) {
                root.problemAt(new PlanProblem(
                        "/items/" + i + "/id",
                        "The id '" + item.id() + "' is used by two items: give one of them another"));
            }
        }
    }

    private void check(BankMovement movement, String at) {
        if (!accountIds.contains(movement.account())) {
            root.problemAt(
                    new PlanProblem(at + "/account", "The account '" + movement.account() + "' is not in the file"));
        }
        movement.parts().stream()
                .filter(part ->
                        !part.isTransfer() && !lineIds.contains(part.lineId()) && !groupIds.contains(part.lineId()))
                .forEach(part -> root.problemAt(
                        new PlanProblem(at + "/parts", "The line '" + part.lineId() + "' is not in the file")));
    }
}
