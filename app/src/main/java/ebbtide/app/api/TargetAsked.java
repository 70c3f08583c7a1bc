package ebbtide.app.api;

import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.whatif.Target;
import org.jspecify.annotations.Nullable;

/** What a question turns: an assumption by its lasting name, or a line or group by its id. */
final class TargetAsked {
    private TargetAsked() {}

    /**
     * Returns the target of the one of the two that is said.
     *
     * @throws Refused where neither is
     */
    static Target of(@Nullable String path, @Nullable String line) {
        Check.that(line != null || path != null, "Say first what is to be turned: a line or an assumption");
        return path != null ? new Target.OfAssumption(path) : new Target.OfLine(String.valueOf(line));
    }
}
