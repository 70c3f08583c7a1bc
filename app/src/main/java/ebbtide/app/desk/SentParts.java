package ebbtide.app.desk;

import static java.util.Objects.requireNonNull;

import ebbtide.app.desk.Since.Then;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Refused;
import ebbtide.plan.Line;
import ebbtide.plan.Settings;
import ebbtide.whatif.Change;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.Target;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What is sent whole, as its sender saw it and would have it: where others changed it meanwhile, what the sender
 * changed is made of what it has become (docs/decisions/0030).
 */
final class SentParts {
    private static final String SETTINGS = "settings";
    private final Effects effects;
    private final Since since;
    private final PlanAtVersion base;
    private final @Nullable Scenario shown;

    SentParts(Effects effects, Since since, PlanAtVersion base, @Nullable Scenario shown) {
        this.effects = effects;
        this.since = since;
        this.base = base;
        this.shown = shown;
    }

    /** Returns a line as it was sent, with what others made of it since. */
    Line line(JsonNode json) {
        Line line = PlanReader.line(json, base.currency());
        if (shown != null) {
            requireShownAsItWas(Kind.LINE, line.id(), change -> mayTouch(change.target(), line.id()));
            return line;
        }
        return merged(
                Kind.LINE,
                line.id(),
                line,
                then -> then.deepCopy().set("line", PlanWriter.json(line, base.currency())),
                now -> PlanReader.line(now.get("line"), base.currency()));
    }

    /** Returns settings as they were sent, with what others made of them since. */
    Settings settings(JsonNode json) {
        Settings settings = PlanReader.settings(json);
        if (shown != null) {
            requireShownAsItWas(Kind.SETTINGS, SETTINGS, change -> true);
            return settings;
        }
        return merged(Kind.SETTINGS, SETTINGS, settings, then -> PlanWriter.json(settings), PlanReader::settings);
    }

    private <T> T merged(
            Kind kind, String id, T sent, Function<ObjectNode, JsonNode> mine, Function<JsonNode, T> read) {
        if (!since.touched(kind, id)) {
            return sent;
        }
        String now = effects.state(kind, id);
        Then then = since.then(kind, id, now);
        if (now == null || then.state() == null) {
            throw since.stale();
        }
        ObjectNode was = (ObjectNode) PlanReader.parse(then.state());
        JsonNode made = mine.apply(was);
        // What the sender would have is what it has become where it was read after the version that is named.
        Places changed = Places.between(then.state(), made.toString()).within(Places.between(now, made.toString()));
        if (changed.meet(then.changed())) {
            throw since.stale();
        }
        try {
            return read.apply(Places.merged(was, made, PlanReader.parse(now)));
        } catch (BrokenPlan | Refused doNotFit) {
            throw since.stale();
        }
    }

    /**
     * A scenario has no state of its own for what is sent: it must show the thing as it did, in the base and by its
     * changes, and by those of the scenarios it stands on.
     */
    private void requireShownAsItWas(Kind kind, String id, Predicate<Change> mayTouch) {
        if (since.touched(kind, id)) {
            throw since.stale();
        }
        for (Scenario one : base.scenarios().under(requireNonNull(shown))) {
            String now = effects.state(Kind.SCENARIO, one.id());
            Then then = since.then(Kind.SCENARIO, one.id(), now);
            if (then.changed().all().isEmpty()) {
                continue;
            }
            if (now == null || then.state() == null || !isSameButForChanges(then.changed())) {
                throw since.stale();
            }
            Set<Change> differing = new HashSet<>(changes(now));
            changes(then.state()).forEach(change -> {
                if (!differing.remove(change)) {
                    differing.add(change);
                }
            });
            if (differing.stream().anyMatch(mayTouch)) {
                throw since.stale();
            }
        }
    }

    private static boolean isSameButForChanges(Places changed) {
        return changed.all().stream().allMatch(at -> at.size() > 1 && at.get(1).equals("changes"));
    }

    private List<Change> changes(String state) {
        return PlanReader.scenario(PlanReader.parse(state).get("scenario"), base.currency())
                .changes();
    }

    /** Whether what a change is aimed at may be a part of what a line assumes. */
    private static boolean mayTouch(Target target, String lineId) {
        if (target instanceof Target.OfLine line) {
            return line.lineId().equals(lineId);
        }
        if (target instanceof Target.OfPart part) {
            return part.lineId().equals(lineId);
        }
        if (target instanceof Target.OfAssumption one) {
            return one.path().startsWith(lineId + "/");
        }
        return !(target instanceof Target.OfItem || target instanceof Target.OfCounterparty);
    }
}
