package ebbtide.chance;

import ebbtide.money.Percent;
import ebbtide.track.PastErrors.Origin;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;

/** What a line's estimates err by in a run, in minor units by lead, in the line's direction (rules 11.8). */
sealed interface Errors {

    /** Puts what a run adds to each lead into an array. */
    void draw(Run run, Drawer own, long[] into);

    /** Errors that were made before: what each origin missed by lead, at the size that estimates have now. */
    record Recorded(long[][] added, int[] ofShared) implements Errors {

        /**
         * Returns the errors of origins where leads are estimated at so much now; {@code shared} are the days of all
         * origins that lines share.
         */
        static Recorded of(List<Origin> origins, long estimated, int leads, List<LocalDate> shared) {
            long[][] added = origins.stream()
                    .map(one -> one.missed().stream()
                            .mapToLong(missed -> scaled(missed, one, estimated, leads))
                            .toArray())
                    .toArray(long[][]::new);
            int[] ofShared = shared.stream()
                    .mapToInt(day -> origins.stream().map(Origin::asOf).toList().indexOf(day))
                    .toArray();
            return new Recorded(added, ofShared);
        }

        /** Of what was missed as much as the mean size of estimates now is of that then. */
        private static long scaled(long missed, Origin origin, long estimated, int leads) {
            BigInteger top = BigInteger.valueOf(missed)
                    .multiply(BigInteger.valueOf(estimated))
                    .multiply(BigInteger.valueOf(origin.leads()));
            BigInteger bottom = BigInteger.valueOf(origin.estimated()).multiply(BigInteger.valueOf(leads));
            return new BigDecimal(top)
                    .divide(new BigDecimal(bottom), 0, RoundingMode.HALF_UP)
                    .longValueExact();
        }

        @Override
        public void draw(Run run, Drawer own, long[] into) {
            if (run.together()) {
                for (int at = 0; at < into.length; at++) {
                    int origin = ofShared[run.sharedOrigin(at)];
                    int lead = run.sharedLead(at);
                    into[at] = origin < 0 || lead >= added[origin].length ? 0 : added[origin][lead];
                }
                return;
            }
            int place = 0;
            int origin = own.oneOf(place++, added.length);
            int lead = 0;
            for (int at = 0; at < into.length; at++) {
                if (lead == added[origin].length) {
                    origin = own.oneOf(place++, added.length);
                    lead = 0;
                }
                into[at] = added[origin][lead++];
            }
        }
    }

    /** The plan's own doubt: one factor for what all leads are estimated at. */
    record Doubt(Percent doubt, boolean receipt, long[] estimated) implements Errors {
        private static final double NEAR_HALF = 1e-3;
        private static final double SURE = 1e11;

        @Override
        public void draw(Run run, Drawer own, long[] into) {
            long t = !run.together() ? own.doubt() : receipt ? run.doubtOfReceipts() : run.doubtOfPayments();
            Arrays.setAll(into, at -> share(t, estimated[at]));
        }

        /** Returns doubt x t of an amount, rounded once; doubles where they cannot be wrong. */
        private long share(long t, long amount) {
            double near = (double) t / (1L << Drawer.DOUBT_BITS) * doubt.millionths() / Percent.WHOLE * amount;
            double size = Math.abs(near);
            if (size < SURE && Math.abs(size - Math.floor(size) - 0.5) > NEAR_HALF) {
                return (long) (Math.signum(near) * Math.floor(size + 0.5));
            }
            return new BigDecimal(BigInteger.valueOf(t)
                            .multiply(BigInteger.valueOf(doubt.millionths()))
                            .multiply(BigInteger.valueOf(amount)))
                    .divide(
                            new BigDecimal(BigInteger.ONE
                                    .shiftLeft(Drawer.DOUBT_BITS)
                                    .multiply(BigInteger.valueOf(Percent.WHOLE))),
                            0,
                            RoundingMode.HALF_UP)
                    .longValueExact();
        }
    }
}
