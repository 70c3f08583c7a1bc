package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.storage.LineStore.PlacedLine;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.books.Account;
import ebbtide.formats.plan.PlanMove;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** The edits of what a plan as a whole has: settings, accounts, all that is ahead moved by months. */
public final class SettingsEdits {
    private static final int MOST_MONTHS = 60;

    private SettingsEdits() {}

    /** Puts the settings as they are sent; a plan keeps its currency. */
    public static Change put(JsonNode json) {
        return draft -> {
            Settings settings = draft.sentSettings(json);
            Settings before = draft.shown().plan().settings();
            if (!before.currency().equals(settings.currency())) {
                throw new Refused(
                        "The currency of a plan stays " + before.currency().getCurrencyCode()
                                + ": its amounts are kept in it. Make a new plan for another currency");
            }
            draft.putSettings(settings);
            return SettingsWords.of(draft.shown().plan(), settings);
        };
    }

    /** Moves what every line assumes after the as-of date by some months, back when negative. */
    public static Change moveAhead(int months) {
        if (months == 0 || Math.abs(months) > MOST_MONTHS) {
            throw new Refused("A plan is moved by 1 to 60 months ahead, or back when negative, but was " + months);
        }
        return draft -> {
            draft.readsForecast();
            Settings settings = draft.shown().plan().settings();
            for (PlacedLine placed : draft.shown().placed()) {
                draft.putLine(
                        PlanMove.moved(placed.line(), settings.asOf(), months, settings.currency()), placed.position());
            }
            return "Everything ahead moved by " + months + (Math.abs(months) == 1 ? " month" : " months");
        };
    }

    /** Puts an account as it is sent: a new one stands last. */
    public static Change putAccount(JsonNode json) {
        return draft -> {
            Account account = PlanReader.account(json, draft.base().currency());
            draft.reads(Kind.ACCOUNT, account.id());
            draft.books().putAccount(account);
            return "Account " + account.name() + " set";
        };
    }

    /** Takes an account out; refuses one with movements, and one that a line is paid from. */
    public static Change removeAccount(String id) {
        return draft -> {
            Account account = draft.base().books().accounts().stream()
                    .filter(one -> one.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new NotFound("account", id));
            if (!draft.base().books().byAccount().getOrDefault(id, List.of()).isEmpty()) {
                throw new Refused(account.name() + " has bank movements and cannot be taken out: mark it restricted, "
                        + "and it stands outside the forecast");
            }
            for (Line line : draft.base().plan().lines()) {
                if (id.equals(line.account())) {
                    throw new Refused(
                            account.name() + " is the account of '" + line.name() + "': give that line another");
                }
            }
            draft.books().removeAccount(id);
            return "Account " + account.name() + " taken out";
        };
    }
}
