package ebbtide.whatif;

import ebbtide.money.Check;
import ebbtide.money.Percent;
import ebbtide.money.Refused;
import ebbtide.plan.Alteration;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.Line;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.Plan;
import ebbtide.plan.Terms;
import java.util.Optional;

/**
 * What a change does to how a line is paid (rules 11.3): later or sooner, less of it, without discounts, on due dates.
 * Open items follow by themselves; what is still to be billed by the terms.
 */
record HowPaid(String by, Change change) {

    /** Returns whether an act says how something is paid, and not what it comes to. */
    static boolean isSaidBy(Act act) {
        return act instanceof Act.PaidLater
                || act instanceof Act.NeverPaid
                || act instanceof Act.WithoutDiscounts
                || act instanceof Act.OnDueDates;
    }

    /**
     * Returns a line as it is paid then; nothing where the change finds nothing on it.
     *
     * @throws Refused where it cannot be said of such a line, with what to change instead
     */
    Optional<Line> of(Line line) {
        if (change.act() instanceof Act.NeverPaid never) {
            return neverPaid(never.points(), line);
        }
        if (change.act() instanceof Act.PaidLater later) {
            return later(later.days(), line);
        }
        Check.that(
                change.range().isAlways(),
                "Discounts are taken, and due dates kept, of all there is: leave the range out");
        return change.act() instanceof Act.OnDueDates ? onDueDates(line) : withoutDiscounts(line);
    }

    /**
     * Returns a plan whose shared terms of an id, and all lines that share them, are paid so.
     *
     * @throws Refused where no active line shares them, or one of those cannot be paid so
     */
    Plan ofShared(Plan plan, String id) {
        NamedTerms named = plan.settings()
                .findTerms(id)
                .orElseThrow(() -> new Refused("The plan has no shared terms '" + id + "' any more"));
        Plan changed = plan;
        NamedTerms then = named;
        boolean found = false;
        for (Line line : plan.lines()) {
            Optional<Line> other = line.findStream()
                    .filter(stream -> id.equals(stream.terms().shared()) && plan.isActive(line))
                    .flatMap(stream -> of(line));
            if (other.isPresent()) {
                found = true;
                Assumption.Stream stream = other.get().findStream().orElseThrow();
                then = new NamedTerms(id, named.name(), stream.terms());
                changed = changed.with(other.get().with(stream.with(then.terms())));
            }
        }
        Check.that(found, "No line that shares the terms '" + named.name() + "' has anything of that to change");
        return new Plan(changed.settings().with(then), changed.lines(), changed.buoys());
    }

    /** Who pays by a pattern leaves more unpaid; history goes on being owed by the pattern without that. */
    private Optional<Line> neverPaid(Percent points, Line line) {
        Optional<Assumption.Stream> stream = line.findStream();
        if (stream.isEmpty()) {
            return Optional.empty();
        }
        Terms terms = stream.get().terms();
        Check.that(change.range().isAlways(), "More is never paid of all there is: leave the range out");
        Check.that(
                terms.by() == Terms.By.MONTHS && stream.get().basis() == Basis.PATTERN,
                "'" + line.name()
                        + "' is not paid by a pattern of months, or by its items: what is never paid is a share of such a pattern");
        MonthPattern before = line.patternBeforeNeverPaid().orElse(terms.pattern());
        return Optional.of(
                line.with(stream.get().with(terms.with(terms.pattern().neverPaid(points))))
                        .altered(new Alteration.NeverPaid(by, before)));
    }

    /**
     * Cash of a line moves by itself where its kind has activity; at a target of days the target rises (rules 11.3).
     */
    private Optional<Line> later(int days, Line line) {
        if (!LineChange.hasActivity(line)) {
            return Optional.empty();
        }
        Optional<Terms> terms = line.findStream().map(Assumption.Stream::terms);
        if (terms.filter(one -> one.by() == Terms.By.TARGET).isPresent()) {
            throw new Refused("'" + line.name()
                    + "' stands at a target of days: add the days to that, in the range in which it is so");
        }
        Check.that(
                terms.filter(one -> one.by() == Terms.By.DAYS && one.dayTerms().isEarly())
                        .isEmpty(),
                "'" + line.name() + "' is paid early for a discount: change the days of that, or the discount");
        return Optional.of(line.altered(new Alteration.PaidLater(by, days, change.range(), "")));
    }

    /** Steps of a pattern are paid in full, and terms with a discount that is taken are paid when usual without. */
    private Optional<Line> withoutDiscounts(Line line) {
        Line items = line.assumption().keepsItems() ? line.altered(new Alteration.WithoutDiscounts(by, "")) : line;
        Line other = line.findStream()
                .map(stream -> switch (stream.terms().by()) {
                    case MONTHS ->
                        items.with(stream.with(
                                stream.terms().with(stream.terms().pattern().withoutDiscounts())));
                    case DAYS ->
                        stream.terms().dayTerms().isEarly()
                                ? items.with(stream.with(stream.terms()
                                        .with(stream.terms().dayTerms().taking(false))))
                                : items;
                    case TARGET -> items;
                })
                .orElse(items);
        return found(line, other);
    }

    /** Terms by days are paid when due, none late; an early payment that is taken stays. */
    private Optional<Line> onDueDates(Line line) {
        Line items = line.assumption().keepsItems() ? line.altered(new Alteration.OnDueDates(by, "")) : line;
        Line other = line.findStream()
                .filter(stream -> stream.terms().by() == Terms.By.DAYS)
                .map(stream -> items.with(stream.with(
                        stream.terms().with(stream.terms().dayTerms().punctual()))))
                .orElse(items);
        return found(line, other);
    }

    private Optional<Line> found(Line line, Line other) {
        Optional<Terms> before = line.findStream().map(Assumption.Stream::terms);
        boolean same = other.altered().equals(line.altered())
                && before.equals(other.findStream()
                        .map(Assumption.Stream::terms)
                        .map(terms -> terms.sharedAs(before.orElseThrow().shared())));
        return same ? Optional.empty() : Optional.of(other);
    }
}
