package ebbtide.plan;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Rounding;
import ebbtide.time.Convention;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * The pay of a team by role (rules 7.1): who is paid what, on which days, and when what is withheld and what the
 * employer owes on top is paid over.
 */
public record Pay(List<Role> roles, PayDays days, PaidOver paidOver) implements Assumption {
    /** What the assumption is called in a plan file. */
    public static final String KIND = "pay";

    private static final BigDecimal MOST_POSTS = BigDecimal.valueOf(100_000);
    private static final Unit POSTS = new Unit(Unit.Measure.COUNT, "", BigDecimal.ZERO, MOST_POSTS, 4);
    private static final BigDecimal HOUR = new BigDecimal("0.01");
    private static final BigDecimal MOST_HOURS = BigDecimal.valueOf(8_784);
    private static final Percent MOST_ON_COST = new Percent(3 * Percent.WHOLE);

    /** Whether a role is paid by the year or by the hour. */
    public enum PaidBy {
        YEAR,
        HOUR
    }

    public Pay {
        roles = List.copyOf(roles);
        Check.that(roles.size() <= 200, "a line has at most 200 roles, but had " + roles.size());
        Check.that(
                roles.stream().map(Role::name).distinct().count() == roles.size(),
                "two roles have the same name: give each its own");
        Objects.requireNonNull(days, "pay days");
        Objects.requireNonNull(paidOver, "when it is paid over");
    }

    /**
     * A role: its full-time posts, what each earns (in minor units a year, or an hour for so many hours a year), from
     * when to when (null: no end), the employer's cost on top, the share withheld from pay, a commission (null: none)
     * and extra sums.
     */
    public record Role(
            String name,
            LocalDate start,
            @Nullable LocalDate end,
            Steps<BigDecimal> posts,
            PaidBy paidBy,
            Steps<Long> pay,
            BigDecimal hoursAYear,
            Percent onCost,
            Percent withheld,
            @Nullable Commission commission,
            List<ActivityMethod.DatedAmount> extras) {
        public Role {
            name = Check.text(name, "name of a role", 120);
            Check.inRange(start.getYear(), 1990, 2120, "year in which " + name + " begins");
            String who = name;
            Check.that(end == null || !end.isBefore(start), who + " ends on " + end + ", before it begins on " + start);
            posts.steps()
                    .forEach(step -> Check.that(
                            step.value().signum() >= 0
                                    && step.value().compareTo(MOST_POSTS) <= 0
                                    && step.value().stripTrailingZeros().scale() <= 4,
                            "posts of " + who + " must be from 0 to 100,000 with at most four decimals, but were "
                                    + step.value().toPlainString()));
            pay.steps().forEach(step -> Check.notNegative(step.value(), "pay of " + who + " from " + step.from()));
            Check.that(
                    hoursAYear.signum() > 0
                            && hoursAYear.compareTo(MOST_HOURS) <= 0
                            && hoursAYear.stripTrailingZeros().scale() <= 2,
                    "hours a year of " + who + " must be above 0 and at most 8,784, but were "
                            + hoursAYear.toPlainString());
            Check.inRange(onCost, Percent.ZERO, MOST_ON_COST, "on-cost of " + who);
            Check.inRange(withheld, Percent.ZERO, Percent.HUNDRED, "share withheld from " + who);
            extras = List.copyOf(extras);
        }

        /** Returns the role beginning on another day. */
        public Role from(LocalDate other) {
            return new Role(name, other, end, posts, paidBy, pay, hoursAYear, onCost, withheld, commission, extras);
        }

        /** Returns what the role's posts earn a year at the values in force on a day, in minor units, rounded once. */
        public long annualOn(LocalDate day) {
            BigDecimal each = pay.findOn(day)
                    .map(step -> BigDecimal.valueOf(step.value()))
                    .orElse(BigDecimal.ZERO);
            BigDecimal count = posts.findOn(day).map(Steps.Step::value).orElse(BigDecimal.ZERO);
            return Rounding.toAmount(
                    each.multiply(count).multiply(paidBy == PaidBy.HOUR ? hoursAYear : BigDecimal.ONE));
        }

        Inputs<Role> inputs() {
            return Inputs.of(this)
                    .add("posts", "posts", POSTS)
                    .add("pay", paidBy == PaidBy.HOUR ? "pay an hour" : "pay a year", Unit.MONEY)
                    .when(onCost.millionths() != 0, "onCost", "on-costs", Unit.percent("%", Percent.ZERO, MOST_ON_COST))
                    .when(withheld.millionths() != 0, "withheld", "withheld", Unit.SHARE)
                    .in("commission", commission, one -> Inputs.of(one)
                            .ofLine(one.lineId(), "share", "commission on", Unit.SHARE)
                            .when(false, "monthsAfter", "commission paid after", Unit.months(0, 12)))
                    .each("extras", extras, one -> one.date().toString(), (one, at) -> one.inputs("extra pay"))
                    .when(
                            false,
                            "hoursAYear",
                            "hours a year",
                            new Unit(Unit.Measure.NUMBER, "hours", HOUR, MOST_HOURS, 2))
                    .when(false, "start", "begins", Unit.DATE)
                    .when(end != null, "end", "ends", Unit.DATE);
        }

        Role cleared() {
            return new Role(
                    name, start, end, posts, paidBy, Steps.none(), hoursAYear, onCost, withheld, commission, List.of());
        }
    }

    /** A share of another line's monthly amount, earned in its month and paid some months later on the last pay day. */
    public record Commission(String lineId, Percent share, int monthsAfter) {
        public Commission {
            lineId = Check.text(lineId, "line of a commission", 80);
            Check.inRange(share, Percent.ZERO, Percent.HUNDRED, "commission");
            Check.inRange(monthsAfter, 0, 12, "months until a commission is paid");
        }
    }

    /**
     * What is withheld from pay and what the employer owes on top: of the pay days of a month, paid over on a day some
     * months later. {@code owed} is what pay days up to the as-of date came to, by their month.
     */
    public record PaidOver(int monthsAfter, int day, Convention convention, SortedMap<YearMonth, Long> owed) {
        public PaidOver {
            Check.inRange(monthsAfter, 0, 12, "months until it is paid over");
            Check.inRange(day, 1, 31, "day on which it is paid over");
            Objects.requireNonNull(convention, "convention");
            owed = Collections.unmodifiableSortedMap(new TreeMap<>(owed));
            owed.forEach((month, minor) -> Check.notNegative(minor, "owed for pay of " + month));
        }

        Inputs<PaidOver> inputs() {
            return Inputs.of(this)
                    .add("monthsAfter", "paid over on day " + day, new Unit(Unit.Measure.MONTHS, "months after", 0, 12))
                    .add("owed", "withheld and on-costs owed on the as-of date, by month of pay", Unit.MONEY)
                    .when(false, "day", "paid over on the day of the month", Unit.DAY_OF_MONTH)
                    .when(false, "convention", "on a holiday", Unit.CHOICE)
                    .facts("owed");
        }

        /** Returns the same with what pay days up to the as-of date came to. */
        public PaidOver withOwed(SortedMap<YearMonth, Long> amounts) {
            return new PaidOver(monthsAfter, day, convention, amounts);
        }

        /** Returns the day on which what a month's pay days left is paid over; a day the month lacks is its last. */
        public LocalDate dueOf(YearMonth month) {
            YearMonth paid = month.plusMonths(monthsAfter);
            return paid.atDay(Math.min(day, paid.lengthOfMonth()));
        }
    }

    /** Returns the same with other roles. */
    public Pay with(List<Role> others) {
        return new Pay(others, days, paidOver);
    }

    @Override
    public List<Input<Pay>> inputs() {
        return Inputs.of(this)
                .each("roles", roles, Role::name, (role, at) -> role.inputs()
                        .renamed(name -> role.name() + ": " + name))
                .when(false, "days", "pay days", Unit.CHOICE)
                .in("paidOver", paidOver, PaidOver::inputs)
                .list();
    }

    @Override
    public boolean lacksAmount() {
        return roles.stream().allMatch(role -> role.pay().isEmpty());
    }

    @Override
    public List<String> partNames() {
        return roles.stream().map(Role::name).toList();
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public Nature usualNature(Direction direction) {
        return direction == Direction.RECEIPT ? Nature.OTHER_INCOME : Nature.OVERHEADS;
    }

    @Override
    public Standing standing(Direction direction, Nature nature) {
        return Standing.of(CashRow.PAY, OpeningSheet.Kind.PAY_OWED);
    }

    @Override
    public List<String> reads() {
        return roles.stream()
                .filter(role -> role.commission() != null)
                .map(role -> role.commission().lineId())
                .toList();
    }

    /** Returns the same roles without their pay, and without what was owed. */
    @Override
    public Pay cleared() {
        return new Pay(roles.stream().map(Role::cleared).toList(), days, paidOver.withOwed(new TreeMap<>()));
    }
}
