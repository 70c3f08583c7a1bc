package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.SHORT_NUMBER;
import static ebbtide.formats.document.Values.filled;
import static ebbtide.formats.document.Values.oneOf;
import static ebbtide.formats.document.Values.whole;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.JsonPlace;
import ebbtide.formats.document.RecordForm;
import ebbtide.formats.document.Values;
import ebbtide.formats.plan.kinds.CommonForms;
import ebbtide.formats.plan.kinds.TermsForm;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.CashPolicy;
import ebbtide.plan.Certainty;
import ebbtide.plan.Chances;
import ebbtide.plan.CountedCertainties;
import ebbtide.plan.Direction;
import ebbtide.plan.Facility;
import ebbtide.plan.FundingRules;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.PaymentRuns;
import ebbtide.plan.PlanCalendar;
import ebbtide.plan.References;
import ebbtide.plan.Reporting;
import ebbtide.plan.SaidHabit;
import ebbtide.plan.Settings;
import ebbtide.plan.SourceDocument;
import ebbtide.plan.Threshold;
import java.time.DayOfWeek;
import java.time.Month;
import java.util.Comparator;
import java.util.Currency;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;

/** The settings of a plan as its file has them. */
final class SettingsForm {
    /** Stands in for a currency that could not be read, so that amounts are still looked at. */
    static final Currency MOST_DECIMALS = Currency.getInstance("KWD");

    private static final int LONG_NAME = 120;

    private static final RecordForm<PlanCalendar> CALENDAR = RecordForm.of(
            PlanCalendar.class,
            always("asOf", Values.DATE),
            usually("firstDayOfWeek", oneOf(DayOfWeek.class), DayOfWeek.MONDAY),
            usually("firstFiscalMonth", oneOf(Month.class), Month.JANUARY),
            usually("horizonMonths", whole(1, 72), Settings.DEFAULT_HORIZON_MONTHS),
            usually("amountSteps", oneOf(AmountSteps.class), AmountSteps.FIRST_DAY),
            unless(0, "closedAfter", whole(0, 60)).says("Days after its end until a month is closed."));

    private static final Form<Facility> FACILITY = RecordForm.of(
            Facility.class,
            always("name", Values.FILLED),
            always("limit", CommonForms.AMOUNTS),
            always("rate", CommonForms.RATES));
    private static final Form<PaymentRuns> PAYMENT_RUNS = RecordForm.of(
                    PaymentRuns.class,
                    always("when", oneOf(PaymentRuns.When.class)),
                    usually("weekday", oneOf(DayOfWeek.class), DayOfWeek.FRIDAY),
                    always("days", whole(1, 31).list()),
                    usually("stretch", whole(0, 120), 0).of("stretchDays"),
                    usually("takes", oneOf(PaymentRuns.Takes.class), PaymentRuns.Takes.ON_OR_AFTER))
            .named("paymentRuns");
    private static final Form<FundingRules> FUNDING = RecordForm.of(
                    FundingRules.class,
                    usually("sweeps", oneOf(FundingRules.Sweeps.class), FundingRules.Sweeps.DAY),
                    usually("buffer", AMOUNT, 0L),
                    usually("interestBy", oneOf(FundingRules.InterestBy.class), FundingRules.InterestBy.NIGHTS),
                    ifAny("minimumDays", SHORT_NUMBER),
                    ifAny("callableWithin", whole(0, 366))
                            .says(
                                    "Business days within which a deposit can be called that counts as liquidity; absent: none does."))
            .named("fundingRules");
    private static final RecordForm<CashPolicy> CASH = RecordForm.of(
            CashPolicy.class,
            always("minimumCash", CommonForms.AMOUNTS),
            ifAny("facility", FACILITY),
            ifAny("paymentRuns", PAYMENT_RUNS).says("The days on which bills are paid together."),
            unless(FundingRules.USUAL, "funding", FUNDING)
                    .says("When facilities are drawn and repaid, and how their interest is worked out."),
            always("cashRate", CommonForms.RATES));

    private static final Form<Set<Certainty>> CERTAINTIES = CommonForms.CERTAINTY
            .list()
            .as(HashSet::new, set -> set.stream()
                    .sorted(Comparator.comparing(Enum::ordinal))
                    .toList());
    private static final RecordForm<CountedCertainties> COUNTED = RecordForm.of(
            CountedCertainties.class,
            usually("countedReceipts", CERTAINTIES, EnumSet.of(Certainty.CERTAIN, Certainty.LIKELY))
                    .of("receipts"),
            usually("countedPayments", CERTAINTIES, EnumSet.allOf(Certainty.class))
                    .of("payments"));

    private static final Form<NamedTerms> TERMS = RecordForm.of(
                    NamedTerms.class,
                    always("id", Values.FILLED),
                    always("name", filled(LONG_NAME)),
                    flat("terms", TermsForm.OF_PLAN))
            .named("namedTerms");
    private static final Form<SourceDocument> DOCUMENT =
            RecordForm.of(SourceDocument.class, always("name", filled(200)), usually("seen", FLAG, false));
    private static final Form<SaidHabit> HABIT = RecordForm.of(
            SaidHabit.class,
            always("direction", oneOf(Direction.class)),
            always("counterparty", filled(200)),
            always("days", whole(-366, 732)));
    private static final RecordForm<References> REFERENCES = RecordForm.of(
            References.class,
            unless(List.<SaidHabit>of(), "habits", HABIT.list())
                    .says("How counterparties pay, as an analyst says against what their paid items show."),
            always("documents", DOCUMENT.list()).says("What an analyst ticks off as seen."),
            always("terms", TERMS.list()).says("Terms that lines share by their id."));

    private static final Form<Threshold> EXPLAINED =
            RecordForm.of(Threshold.class, usually("amount", AMOUNT, 0L), usually("share", PERCENT, Percent.ZERO));
    private static final RecordForm<Reporting> REPORTING = RecordForm.of(
            Reporting.class,
            ifAny("explained", EXPLAINED)
                    .says(
                            "Which variances must be explained: those of at least the amount that are also at least the share of what was forecast."),
            ifAny("openingSheet", StatementForms.OPENING_SHEET)
                    .says(
                            "The balance sheet that statements start from: at the end of the month before the first that is forecast."),
            ifAny("years", YearsForm.FORM)
                    .says("How years go on from the months that are planned, or from a last year of their own."));

    private static final Form<SortedSet<String>> LINES = Values.FILLED.list().as(TreeSet::new, List::copyOf);
    private static final Form<Chances> CHANCES = RecordForm.of(
                    Chances.class,
                    usually("receipts", PERCENT, Chances.USUAL.receipts())
                            .says("The doubt of receipts whose record is too short."),
                    usually("payments", PERCENT, Chances.USUAL.payments())
                            .says("The doubt of payments whose record is too short."),
                    usually("together", PERCENT, Chances.USUAL.together())
                            .says("The chance that all lines of a run err together."),
                    usually("promises", PERCENT, Chances.USUAL.promises())
                            .says("The chance that a promise or a typed day is kept."),
                    unless(Chances.USUAL.firm(), "firm", LINES)
                            .says("Lines, by id, whose estimates are firm whatever they are."),
                    unless(Chances.USUAL.drawn(), "drawn", LINES)
                            .says("Lines, by id, that are drawn though lines of their kind are usually firm."))
            .named("chances");

    private static final Form<Currency> CURRENCY = Values.TEXT.as(Money::currency, Currency::getCurrencyCode);
    private static final RecordForm<Settings> ALL = RecordForm.of(
            Settings.class,
            always("name", filled(LONG_NAME)),
            always("currency", CURRENCY),
            flat("calendar", CALENDAR),
            flat("cash", CASH),
            flat("agreed", StatementForms.COVENANTS),
            flat("reporting", REPORTING),
            flat("counted", COUNTED),
            flat("references", REFERENCES),
            unless(Chances.USUAL, "chances", CHANCES).says("What the runs of a simulation are drawn by."));
    /** Amounts among the settings are in the currency that stands beside them. */
    static final Form<Settings> FORM =
            ALL.readingFirst(SettingsForm::inItsCurrency).named("settings");

    private SettingsForm() {}

    private static JsonPlace inItsCurrency(JsonPlace settings) {
        Currency currency = currencyOf(settings);
        return EarlierYears.asNow(settings.in(currency), currency);
    }

    /** Returns the currency that settings name, or one of many decimals where they name none. */
    static Currency currencyOf(JsonPlace settings) {
        Currency named = CURRENCY.read(settings.at("currency").quietly());
        return named == null ? MOST_DECIMALS : named;
    }
}
