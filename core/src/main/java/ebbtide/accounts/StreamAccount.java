package ebbtide.accounts;

import ebbtide.derive.Lazy;
import ebbtide.plan.Line;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalLong;

/**
 * The account of a stream: its billing, what that earns, and the tax points it has. What it pays follows from its
 * terms; nothing falls due by date.
 */
public final class StreamAccount implements LineAccount {
    private final StreamBilling billing;
    private final Lazy<Earned> earned;
    private final LatestTaxPoints taxPoints;

    StreamAccount(StreamBilling.Reads reads) {
        this.billing = new StreamBilling(reads);
        this.earned = Lazy.of(() -> new StreamEarnings(billing).earned());
        this.taxPoints = new LatestTaxPoints(basis -> new StreamTaxPoints(billing, basis).points());
    }

    /** Returns what the stream bills, and how that is paid. */
    public StreamBilling billing() {
        return billing;
    }

    @Override
    public Line line() {
        return billing.line();
    }

    @Override
    public List<Due> dues() {
        return List.of();
    }

    @Override
    public Earned earned() {
        return earned.get();
    }

    @Override
    public OptionalLong owedOn(LocalDate day) {
        return OptionalLong.empty();
    }

    @Override
    public List<String> missing() {
        return new StreamMissing(billing).sentences();
    }

    @Override
    public TaxPoints taxPoints(TaxPoints.Basis basis) {
        return taxPoints.of(basis);
    }
}
