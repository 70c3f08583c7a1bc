package ebbtide.chance;

import ebbtide.money.Percent;

/**
 * What the lines of one run have in common (rules 11.8): whether they err together, and then from which origin and at
 * which of its leads each lead does, and how far receipts and payments are off.
 */
final class Run {
    private static final long RUN = Drawer.known("run");
    private static final long RECEIPTS = Drawer.known("receipts");
    private static final long PAYMENTS = Drawer.known("payments");

    private final long at;
    private final int place;
    private final boolean together;
    private final int[] origins;
    private final int[] leads;

    /**
     * Draws what a run, counted from 1, has in common; its place among those drawn at once; shared origins have so many
     * leads each, the earliest first.
     */
    Run(long seed, int number, int place, Percent togetherAt, int[] leadsOfShared, int weeks) {
        this.at = Drawer.run(seed, number);
        this.place = place;
        Drawer own = drawer(RUN);
        int at = 0;
        this.together = own.happens(at++, togetherAt);
        this.origins = new int[weeks];
        this.leads = new int[weeks];
        if (!together || leadsOfShared.length == 0) {
            return;
        }
        int origin = own.oneOf(at++, leadsOfShared.length);
        int lead = 0;
        for (int week = 0; week < weeks; week++) {
            if (lead == leadsOfShared[origin]) {
                origin = own.oneOf(at++, leadsOfShared.length);
                lead = 0;
            }
            origins[week] = origin;
            leads[week] = lead++;
        }
    }

    /** Returns the drawer of a name ({@link Drawer#known}). */
    Drawer drawer(long known) {
        return Drawer.of(known, at);
    }

    int place() {
        return place;
    }

    boolean together() {
        return together;
    }

    /** Returns the place among the shared origins that a week, counted from 0, draws its error from. */
    int sharedOrigin(int week) {
        return origins[week];
    }

    int sharedLead(int week) {
        return leads[week];
    }

    long doubtOfReceipts() {
        return drawer(RECEIPTS).doubt();
    }

    long doubtOfPayments() {
        return drawer(PAYMENTS).doubt();
    }
}
