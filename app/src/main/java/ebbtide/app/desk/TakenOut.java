package ebbtide.app.desk;

import ebbtide.app.people.Hand;
import ebbtide.app.storage.HappeningStore;
import ebbtide.app.storage.HappeningStore.Kind;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What was taken out of the program to be kept elsewhere, noted with who took it. */
@Component
public record TakenOut(HappeningStore happenings) {
    /** Notes that something was taken out, of a plan or of none, in the words of the log. */
    public void note(@Nullable String planId, String what) {
        happenings.add(Hand.atWork().author(), planId, Kind.EXPORT, "Took out " + what);
    }
}
