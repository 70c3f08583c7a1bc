package ebbtide.formats.plan;

import static ebbtide.formats.document.Field.always;
import static ebbtide.formats.document.Field.flat;
import static ebbtide.formats.document.Field.ifAny;
import static ebbtide.formats.document.Field.unless;
import static ebbtide.formats.document.Field.usually;
import static ebbtide.formats.document.Values.AMOUNT;
import static ebbtide.formats.document.Values.DATE;
import static ebbtide.formats.document.Values.FILLED;
import static ebbtide.formats.document.Values.FLAG;
import static ebbtide.formats.document.Values.PERCENT;
import static ebbtide.formats.document.Values.SHORT_NUMBER;
import static ebbtide.formats.document.Values.TEXT;
import static ebbtide.formats.document.Values.WHOLE;
import static ebbtide.formats.document.Values.filled;
import static ebbtide.formats.document.Values.oneOf;
import static ebbtide.formats.document.Values.whole;

import ebbtide.formats.document.Form;
import ebbtide.formats.document.Kinds;
import ebbtide.formats.document.Kinds.Kind;
import ebbtide.formats.document.RecordForm;
import ebbtide.plan.LastYear;
import ebbtide.plan.YearDriver;
import ebbtide.plan.YearRow;
import ebbtide.plan.YearsPlan;
import ebbtide.plan.YearsRules;
import java.util.Collections;
import java.util.List;

/** Years, and the last year that they go on from, as a plan file has them. */
final class YearsForm {
    private static final int LONG_NOTE = 2_000;

    private static final Form<LastYear.Entry> ROW = RecordForm.of(
                    LastYear.Entry.class,
                    always("id", FILLED),
                    always("name", filled(120)),
                    always("row", oneOf(YearRow.class)).says("What it is."),
                    always("amount", AMOUNT).says("Above zero on the side on which it stands."),
                    ifAny("ends", DATE).says("The day on which a facility ends."))
            .named("lastYearRow");
    static final Form<LastYear> LAST_YEAR = RecordForm.of(
                    LastYear.class,
                    always("end", DATE),
                    usually("days", WHOLE, 365).says("So many days its flows are of."),
                    unless(0L, "losses", AMOUNT).says("Losses brought forward into the next year."),
                    always("rows", ROW.list()).of("entries"))
            .named("lastYear");

    private static final Form<YearDriver> BY = new Kinds<YearDriver>(
                    "A row follows from",
                    "YearDriver",
                    List.of(
                            new Kind(
                                    "amount",
                                    RecordForm.of(
                                            YearDriver.Amount.class,
                                            unless(Collections.emptySortedMap(), "amounts", AMOUNT.byYear()),
                                            unless(Collections.emptySortedMap(), "growth", PERCENT.byYear())
                                                    .says("Where no amount is typed for a year."))),
                            new Kind(
                                    "share",
                                    RecordForm.of(
                                            YearDriver.Share.class,
                                            ifAny("of", FILLED)
                                                    .says(
                                                            "Another row by its id; of dividends year-before. Without: of sales, or what is natural to the row."),
                                            always("shares", PERCENT.byYear()))),
                            new Kind(
                                    "margin-held",
                                    RecordForm.of(YearDriver.MarginHeld.class, always("margins", PERCENT.byYear()))),
                            new Kind(
                                    "days",
                                    RecordForm.of(
                                            YearDriver.Days.class,
                                            always("of", oneOf(YearDriver.DaysOf.class)),
                                            always("days", SHORT_NUMBER.byYear()))),
                            new Kind("with-sales", RecordForm.of(YearDriver.WithSales.class)),
                            new Kind(
                                    "of-gross",
                                    RecordForm.of(
                                            YearDriver.OfGross.class,
                                            usually("atEnd", FLAG, true)
                                                    .says("At the year's end with its spending, or at its start."),
                                            always("shares", PERCENT.byYear()))),
                            new Kind(
                                    "life",
                                    RecordForm.of(
                                            YearDriver.Life.class,
                                            always("years", whole(1, 100)),
                                            always("left", whole(1, 100))
                                                    .says("Years left of what is there at first.")))))
            .named("yearDriver");

    private static final Form<YearsPlan.Driven> DRIVEN = RecordForm.of(
                    YearsPlan.Driven.class, always("row", FILLED), always("by", BY), unless("", "note", TEXT))
            .named("drivenRow");
    private static final Form<YearsPlan.DebtChange> DEBT = RecordForm.of(
            YearsPlan.DebtChange.class,
            ifAny("row", FILLED).says("Without: new debt."),
            always("year", WHOLE),
            always("amount", AMOUNT).says("Above zero taken up, below repaid."));
    private static final Form<YearsPlan.EquityChange> EQUITY = RecordForm.of(
            YearsPlan.EquityChange.class,
            always("year", WHOLE),
            always("amount", AMOUNT).says("Above zero paid in, below drawn."));
    private static final Form<YearsPlan.Disposal> DISPOSAL = RecordForm.of(
            YearsPlan.Disposal.class,
            always("year", WHOLE),
            always("gross", AMOUNT),
            always("accumulated", AMOUNT),
            always("proceeds", AMOUNT));
    private static final Form<YearsPlan.TypedOver> OVERRIDE = RecordForm.of(
            YearsPlan.TypedOver.class,
            always("row", FILLED),
            always("year", WHOLE),
            always("amount", AMOUNT),
            always("reason", filled(LONG_NOTE)));
    private static final RecordForm<YearsRules> RULES = RecordForm.of(
            YearsRules.class,
            usually("calendarDays", FLAG, false).says("Days are counted over the calendar's, else over 365."),
            usually("meanBalance", FLAG, true)
                    .says("Interest is on the mean of opening and closing balances, else on the opening one."),
            usually("lossesRefunded", FLAG, false),
            ifAny("facility", FILLED).says("The row of the facility that is drawn first."),
            unless(Collections.emptySortedMap(), "limit", AMOUNT.byYear())
                    .says("Its limit from years on, where the last year is typed."));

    static final Form<YearsPlan> FORM = RecordForm.of(
                    YearsPlan.class,
                    always("count", whole(1, YearsPlan.MOST_YEARS)),
                    ifAny("lastYear", LAST_YEAR).says("Without: the last twelve months planned."),
                    always("drivers", DRIVEN.list()),
                    unless(List.<YearsPlan.DebtChange>of(), "debts", DEBT.list()),
                    unless(List.<YearsPlan.EquityChange>of(), "equity", EQUITY.list()),
                    unless(List.<YearsPlan.Disposal>of(), "disposals", DISPOSAL.list()),
                    unless(List.<YearsPlan.TypedOver>of(), "overrides", OVERRIDE.list()),
                    flat("rules", RULES))
            .named("years");

    private YearsForm() {}
}
