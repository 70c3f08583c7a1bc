package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Assets bought, used up and sold (rules 7.5), and when what they cost is paid. */
public record CapitalSpending(List<Asset> assets, Convention convention) implements Assumption {
    public CapitalSpending {
        assets = List.copyOf(assets);
        Check.that(assets.size() <= 300, "a line has at most 300 assets, but had " + assets.size());
        Check.that(
                assets.stream().map(Asset::name).distinct().count() == assets.size(),
                "two assets have the same name: give each its own");
        Objects.requireNonNull(convention, "convention");
    }

    /**
     * An asset: what it costs by milestones (net of sales tax, minor units), paid so many days after them; from when it
     * is used, for how many months, and what it is worth then. {@code wear} is null where it is used up evenly over its
     * life, an owned one as that says; {@code owned} is null for one that is bought, {@code disposal} for one that
     * stays. {@code stepwise} says that each milestone is used from the month after it, not from the last one on.
     */
    public record Asset(
            String name,
            SalesTax tax,
            List<ActivityMethod.DatedAmount> milestones,
            int termsDays,
            LocalDate service,
            int lifeMonths,
            long residual,
            @Nullable Wear wear,
            boolean stepwise,
            @Nullable Owned owned,
            @Nullable Disposal disposal) {
        /** Makes an asset that is used up as usual, whose milestones come into use together. */
        public Asset(
                String name,
                SalesTax tax,
                List<ActivityMethod.DatedAmount> milestones,
                int termsDays,
                LocalDate service,
                int lifeMonths,
                long residual,
                @Nullable Owned owned,
                @Nullable Disposal disposal) {
            this(name, tax, milestones, termsDays, service, lifeMonths, residual, null, false, owned, disposal);
        }

        /** Returns the asset with other milestones. */
        public Asset with(List<ActivityMethod.DatedAmount> others) {
            return new Asset(
                    name, tax, others, termsDays, service, lifeMonths, residual, wear, stepwise, owned, disposal);
        }

        /** Returns the asset with other days on which it is paid, used from and sold. */
        public Asset on(
                List<ActivityMethod.DatedAmount> others, LocalDate otherService, @Nullable Disposal otherDisposal) {
            return new Asset(
                    name,
                    tax,
                    others,
                    termsDays,
                    otherService,
                    lifeMonths,
                    residual,
                    wear,
                    stepwise,
                    owned,
                    otherDisposal);
        }

        public Asset {
            name = Check.text(name, "name of an asset", 120);
            Objects.requireNonNull(tax, "sales tax");
            milestones = List.copyOf(milestones);
            Check.inRange(termsDays, 0, 365, "days until a milestone is paid");
            Objects.requireNonNull(service, "day from which it is used");
            Check.inRange(lifeMonths, 1, 1_200, "life of " + name + " in months");
            Check.notNegative(residual, "residual value of " + name);
            long cost = (owned == null ? 0 : owned.cost())
                    + milestones.stream()
                            .mapToLong(ActivityMethod.DatedAmount::amount)
                            .sum();
            Check.that(residual <= cost || cost == 0, "the residual value of " + name + " is above its cost");
            Check.that(
                    wear == null || owned == null || owned.saysNoCharge(),
                    "how " + name + " is used up is said twice: as a charge of what is owned, and "
                            + (wear == null ? "" : wear.words()) + "; keep one");
        }

        /**
         * Returns the cost in minor units: what was paid for it before, and the milestones with tax that is not claimed
         * back.
         */
        public long cost() {
            return (owned == null ? 0 : owned.cost())
                    + milestones.stream().mapToLong(one -> costOf(one.amount())).sum();
        }

        /** Returns what an amount of a milestone adds to the cost. */
        public long costOf(long amount) {
            long taxed = tax.taxOf(amount);
            return tax.grossOf(amount) - tax.recoverable().of(taxed);
        }

        Inputs<Asset> inputs() {
            return Inputs.of(this)
                    .each("milestones", milestones, one -> one.date().toString(), (one, at) -> one.inputs("cost"))
                    .on(service, "lifeMonths", "life", Unit.months(1, 1_200))
                    .when(residual != 0, "residual", "worth at the end", Unit.MONEY)
                    .when(termsDays != 0, "termsDays", "paid after", Unit.days(0, 365))
                    .when(false, "service", "used from", Unit.DATE)
                    .when(false, "stepwise", "each step by itself", Unit.CHOICE)
                    .in("wear", wear, Wear::inputs)
                    .in("owned", owned, Owned::inputs)
                    .in("disposal", disposal, Disposal::inputs)
                    .in("tax", tax, SalesTax::inputs);
        }

        Asset cleared() {
            return new Asset(name, tax, List.of(), termsDays, service, lifeMonths, 0, null, null);
        }
    }

    /**
     * An asset owned on the as-of date: its cost, what is depreciated of it, and its charge: a sum a month, or % of
     * cost a year.
     */
    public record Owned(long cost, long depreciated, long monthly, Percent yearly) {
        public Owned {
            Check.notNegative(cost, "cost");
            Check.notNegative(depreciated, "depreciation so far");
            Check.notNegative(monthly, "depreciation a month");
            Check.inRange(yearly, Percent.ZERO, Percent.HUNDRED, "depreciation a year");
            Check.that(depreciated <= cost, "depreciation so far is above the cost");
            Check.that(
                    monthly == 0 || yearly.millionths() == 0,
                    "depreciation is a sum a month or a percentage a year, not both");
        }

        Inputs<Owned> inputs() {
            Inputs<Owned> inputs = Inputs.of(this)
                    .add("cost", "cost, owned", Unit.MONEY)
                    .add("depreciated", "depreciation so far", Unit.MONEY)
                    .facts("cost", "depreciated");
            return yearly.millionths() == 0
                    ? inputs.add("monthly", "depreciation a month", Unit.MONEY)
                    : inputs.add("yearly", "depreciation", Unit.RATE);
        }

        boolean saysNoCharge() {
            return monthly == 0 && yearly.millionths() == 0;
        }

        /**
         * Returns what is depreciated in a month, in minor units: the sum typed, or a twelfth of the year's share of
         * the cost, rounded once (rules 1.3, 7.5).
         */
        public long monthlyCharge() {
            return monthly != 0 ? monthly : Wear.twelfth(yearly, cost);
        }
    }

    /** The sale of an asset, net of sales tax. */
    public record Disposal(LocalDate date, long proceeds) {
        public Disposal {
            Check.inRange(date.getYear(), 1990, 2120, "year of the disposal");
            Check.notNegative(proceeds, "proceeds");
        }

        Inputs<Disposal> inputs() {
            return Inputs.of(this)
                    .on(date, "proceeds", "sold for", Unit.MONEY)
                    .when(false, "date", "sold on", Unit.DATE);
        }
    }

    @Override
    public boolean bearsTax() {
        return assets.stream().anyMatch(asset -> !asset.tax().isNone());
    }

    @Override
    public List<String> partNames() {
        return assets.stream().map(Asset::name).toList();
    }

    @Override
    public List<MovableAmount<CapitalSpending>> movable() {
        List<MovableAmount<CapitalSpending>> found = new ArrayList<>();
        for (int i = 0; i < assets.size(); i++) {
            Asset asset = assets.get(i);
            for (int j = 0; j < asset.milestones().size(); j++) {
                ActivityMethod.DatedAmount one = asset.milestones().get(j);
                int at = i;
                int step = j;
                found.add(new MovableAmount<>(
                        "asset " + i + " " + j,
                        asset.name() + (one.note().isEmpty() ? "" : ", " + one.note()),
                        false,
                        one.date(),
                        -asset.tax().grossOf(one.amount()),
                        day -> with(at, asset.with(MovableAmount.on(asset.milestones(), step, day)))));
            }
        }
        return found;
    }

    private CapitalSpending with(int at, Asset asset) {
        List<Asset> changed = new ArrayList<>(assets);
        changed.set(at, asset);
        return new CapitalSpending(changed, convention);
    }

    @Override
    public String kind() {
        return "capital";
    }

    @Override
    public Nature usualNature(Direction direction) {
        return direction == Direction.RECEIPT ? Nature.OTHER_INCOME : Nature.OVERHEADS;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(
                        CashRow.CAPITAL,
                        direction == Direction.RECEIPT ? OpeningSheet.Kind.RECEIVABLES : OpeningSheet.Kind.PAYABLES)
                .holding(EnumSet.of(OpeningSheet.Kind.FIXED_ASSETS));
    }

    @Override
    public List<String> reads() {
        return List.of();
    }

    @Override
    public List<Input<CapitalSpending>> inputs() {
        return Inputs.of(this)
                .each("assets", assets, Asset::name, (asset, at) -> asset.inputs()
                        .renamed(name -> asset.name() + ": " + name))
                .when(false, "convention", "on a holiday", Unit.CHOICE)
                .list();
    }

    @Override
    public CapitalSpending cleared() {
        return new CapitalSpending(assets.stream().map(Asset::cleared).toList(), convention);
    }
}
