package ebbtide.app.desk;

import ebbtide.app.people.Hand;
import ebbtide.app.storage.ChangeLog.Turn;
import ebbtide.app.storage.LoggedEffect;
import ebbtide.app.storage.UndoableStore.Kind;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What others did to a plan since the version that an edit was made on. It is not known where the log does not hold
 * every step: everything may have been touched then (docs/decisions/0030).
 */
final class Since {
    private final long version;
    private final long now;
    private final List<Turn> turns;
    /** What was done to each thing, the latest first. */
    private final Map<Thing, List<Step>> steps = new HashMap<>();

    private record Thing(Kind kind, String id) {}

    private record Step(LoggedEffect effect, boolean back) {}

    /** Makes what was done from a version to the one that is now, the earliest first. */
    Since(long version, long now, List<Turn> turns) {
        this.version = version;
        this.now = now;
        this.turns = turns;
        for (int i = turns.size() - 1; i >= 0; i--) {
            Turn turn = turns.get(i);
            List<LoggedEffect> latestFirst = new ArrayList<>(turn.effects());
            if (!turn.back()) {
                Collections.reverse(latestFirst);
            }
            for (LoggedEffect effect : latestFirst) {
                steps.computeIfAbsent(new Thing(effect.kind(), effect.id()), thing -> new ArrayList<>())
                        .add(new Step(effect, turn.back()));
            }
        }
    }

    /** Returns what was done since the latest version: nothing. */
    static Since nothing(long now) {
        return new Since(now, now, List.of());
    }

    boolean isEmpty() {
        return version == now;
    }

    private boolean isKnown() {
        return turns.size() == now - version;
    }

    /** Returns what was done in words, the earliest first. */
    List<String> words() {
        return turns.stream().map(Since::said).toList();
    }

    /** Who has done it and how long ago is said where it was somebody else. */
    private static String said(Turn turn) {
        boolean isOwn =
                turn.author().isEmpty() || turn.author().equals(Hand.atWork().author());
        return isOwn || turn.at() == null
                ? turn.words()
                : turn.author() + ", " + ago(Duration.between(turn.at(), OffsetDateTime.now())) + ": " + turn.words();
    }

    private static String ago(Duration since) {
        long minutes = since.toMinutes();
        if (minutes < 1) {
            return "just now";
        }
        if (minutes < 90) {
            return minutes == 1 ? "a minute ago" : minutes + " minutes ago";
        }
        return since.toHours() < 36 ? since.toHours() + " hours ago" : since.toDays() + " days ago";
    }

    /** Returns the refusal of an edit that touches what was changed. */
    StaleVersion stale() {
        return new StaleVersion(version, now, words());
    }

    /** Returns whether a thing was changed, or may have been. */
    boolean touched(Kind kind, String id) {
        return !isKnown() || steps.containsKey(new Thing(kind, id));
    }

    /** Returns whether anything of some kinds was changed, or may have been. */
    boolean touched(Set<Kind> kinds) {
        return !isKnown() || steps.keySet().stream().anyMatch(thing -> kinds.contains(thing.kind()));
    }

    /** A thing as it stood at the version, null if it was not there, and where it was changed since. */
    record Then(@Nullable String state, Places changed) {}

    /**
     * Returns a thing that is as it stood at the version.
     *
     * @throws StaleVersion where the steps since are not known
     */
    Then then(Kind kind, String id, @Nullable String state) {
        if (!isKnown()) {
            throw stale();
        }
        Then then = new Then(state, Places.NONE);
        for (Step step : steps.getOrDefault(new Thing(kind, id), List.of())) {
            String before = step.effect().on(then.state(), !step.back()).after();
            then = new Then(before, then.changed().and(Places.between(before, then.state())));
        }
        return then;
    }
}
