package ebbtide.funding;

import ebbtide.time.DaySeries;

/**
 * A facility by day: the most that may be drawn, what the bank has booked as drawn (below zero: repaid) since the as-of
 * date, whether what is undrawn counts as liquidity; from which day on the notice lets it be drawn; what was drawn at
 * first.
 */
record SweptFacility(
        DaySeries most,
        DaySeries moved,
        boolean committed,
        long multiple,
        int firstDraw,
        long drawn,
        Accrual accrual) {}
