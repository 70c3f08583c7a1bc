package ebbtide.accounts;

import ebbtide.plan.Revolving;
import java.time.LocalDate;

/**
 * The account of a revolving facility, which the sweep draws and repays (rules 8.4): nothing falls due on it until it
 * ends.
 */
final class FacilityAccount extends QuietAccount {
    private final Revolving facility;

    FacilityAccount(OwnReads reads) {
        super(reads);
        this.facility = (Revolving) reads.line().assumption();
    }

    /** All of it where the facility ends later; nothing where it ends before, or can be called. */
    @Override
    public long dueLater(long balance, boolean own, LocalDate day, LocalDate by) {
        return facility.end() != null && facility.end().isAfter(by) ? balance : 0;
    }
}
