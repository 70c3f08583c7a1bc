package ebbtide.whatif;

import static ebbtide.whatif.WhatIfCases.FEBRUARY_28;
import static ebbtide.whatif.WhatIfCases.kelp;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.Asked;
import ebbtide.answers.ChaseAndHold;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItems;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.RandomPlans;
import ebbtide.items.ExpectedItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Assumption.Stream;
import ebbtide.plan.Basis;
import ebbtide.plan.DayRange;
import ebbtide.plan.Handling;
import ebbtide.plan.Handling.Standing;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.whatif.Target.OfItem.Part;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** What a scenario says of open items, against items edited by hand (rules 11.1). */
class ItemChangeTest {
    private static final int PLANS = Asked.of(100);
    private static final LocalDate MARCH_18 = LocalDate.of(2026, 3, 18);
    private static final LocalDate MARCH_25 = LocalDate.of(2026, 3, 25);
    private static final LocalDate APRIL_20 = LocalDate.of(2026, 4, 20);

    /**
     * Over random plans, on top of other changes: an item that a scenario has on another day, promised or held is the
     * item edited by hand; typed back it is as it was, and made the base it is the books'.
     */
    @Test
    void itemTypedInAScenario_isTheItemEditedByHand() {
        AtomicInteger edited = new AtomicInteger();
        RandomPlans.each(PLANS, (some, seed) -> {
            Forecast base = Forecaster.forecast(some.plan(), some.books());
            Scenarios scenarios = RandomScenarios.of(seed, some.plan());
            Scenario shown = scenarios.find("first").orElseThrow();
            ScenarioPlan before = ScenarioPlan.of(base, scenarios, shown);
            Random random = new Random(seed);
            List<OpenItem> typed = new ArrayList<>();
            for (OpenItem item : some.books().items().all()) {
                Optional<Line> line = before.asChanged().findLine(item.lineId());
                if (item.amount().open() > 0
                        && random.nextInt(3) == 0
                        && line.isPresent()
                        && before.asChanged().isActive(line.get())
                        && line.get().assumption().keepsItems()) {
                    OpenItem there = ItemChange.shown(line.get(), item);
                    typed.add(there.with(other(random, there.handling(), base.plan())));
                }
            }
            if (typed.isEmpty()) {
                return;
            }
            ScenarioEdit edit = new ScenarioEdit(base, scenarios, shown);
            Scenario then = edit.items(typed);
            Forecast made = forecast(base, scenarios.with(then), then);
            Plan unsaid = new Plan(
                    before.asChanged().settings(),
                    before.asChanged().lines().stream()
                            .map(Line::withoutSaidOfItems)
                            .toList(),
                    before.asChanged().buoys());
            List<OpenItem> all = shown(before.asChanged(), some.books());
            assertThat(outcome(made))
                    .isEqualTo(outcome(Forecaster.forecast(unsaid, with(some.books(), with(all, typed)))));

            List<OpenItem> were = typed.stream()
                    .map(item -> ItemChange.shown(
                            before.asChanged().findLine(item.lineId()).orElseThrow(),
                            some.books().items().find(item.id()).orElseThrow()))
                    .toList();
            Scenario back = new ScenarioEdit(base, scenarios.with(then), then).items(were);
            assertThat(shown(ScenarioPlan.of(base, scenarios.with(back), back).asChanged(), some.books()))
                    .isEqualTo(all);

            Scenario alone = new Scenario("alone", "Alone", "", List.of(), List.of(), false);
            Scenario said = new ScenarioEdit(base, scenarios.putting(alone), alone).items(plain(some.books(), typed));
            MadeBase based = MadeBase.of(
                    base, said, said.changes().stream().map(Change::id).toList());
            assertThat(based.plan()).isEqualTo(some.plan());
            assertThat(based.items()).containsExactlyInAnyOrderElementsOf(changed(some.books(), typed));
            edited.addAndGet(typed.size());
        });
        assertThat(edited).hasValueGreaterThan(PLANS / 4);
    }

    /** Days after the as-of date, for what is not after it can be typed and says nothing. */
    private static Handling other(Random random, Handling there, Plan plan) {
        LocalDate day = plan.settings().asOf().plusDays(1L + random.nextInt(90));
        return switch (random.nextInt(4)) {
            case 0 -> there.expectedOn(random.nextInt(4) == 0 ? null : day);
            case 1 -> there.promisedFor(random.nextInt(4) == 0 ? null : day);
            case 2 -> there.standing(Standing.values()[random.nextInt(4)]);
            default -> there.expectedOn(day).standing(Standing.values()[random.nextInt(4)]);
        };
    }

    private static List<OpenItem> plain(Books books, List<OpenItem> typed) {
        return typed.stream()
                .map(item -> books.items().find(item.id()).orElseThrow().with(item.handling()))
                .toList();
    }

    private static List<OpenItem> changed(Books books, List<OpenItem> typed) {
        return plain(books, typed).stream()
                .filter(item -> !books.items().all().contains(item))
                .toList();
    }

    /** All items as a plan shows them, those that do not count on it as they are. */
    private static List<OpenItem> shown(Plan plan, Books books) {
        return books.items().all().stream()
                .map(item -> plan.findLine(item.lineId())
                        .map(line -> item.with(ItemChange.said(line, item)))
                        .orElse(item))
                .toList();
    }

    private static List<OpenItem> with(List<OpenItem> all, List<OpenItem> typed) {
        Map<String, Handling> said = new TreeMap<>();
        typed.forEach(item -> said.put(item.id(), item.handling()));
        return all.stream()
                .map(item -> item.with(said.getOrDefault(item.id(), item.handling())))
                .toList();
    }

    private static Books with(Books books, List<OpenItem> items) {
        return books.with(OpenItems.of(items).settled(books.items().settled()));
    }

    /** What lenders do once a covenant breaks, which no base has, apart. */
    private static Forecast forecast(Forecast base, Scenarios all, Scenario shown) {
        ScenarioPlan made = ScenarioPlan.of(base, all, shown);
        return Forecaster.forecast(made.asChanged(), base.books(), base);
    }

    /** Cash of every day, and when each open item is expected with what it pays. */
    private static List<Object> outcome(Forecast forecast) {
        List<Object> all = new ArrayList<>();
        for (LocalDate day = forecast.firstDay(); !day.isAfter(forecast.lastDay()); day = day.plusDays(1)) {
            all.add(forecast.closing(day));
        }
        for (Line line : forecast.plan().lines()) {
            for (ExpectedItem one : forecast.items().of(line)) {
                all.add(List.of(one.item(), String.valueOf(one.day()), one.minor(), one.source()));
            }
        }
        return all;
    }

    /** An invoice due on 18 March that nothing says more of, one promised for the 25th, and one that is paid. */
    private static Forecast kelpOnBooks() {
        Stream stream = (Stream) kelp().assumption();
        return Forecaster.forecast(
                new Plan(
                        Settings.of("P", Money.currency("GBP"), FEBRUARY_28).withHorizon(6),
                        List.of(kelp().with(stream.on(Basis.BOOKS))),
                        List.of()),
                Books.of(List.of(new Account("bank", "Bank", "--", false, FEBRUARY_28, 0)))
                        .with(OpenItems.of(List.of(
                                item("open", null, Handling.NONE),
                                item("promised", null, Handling.NONE.promisedFor(MARCH_25)),
                                item("paid", LocalDate.of(2026, 2, 2), Handling.NONE)))));
    }

    private static OpenItem item(String id, LocalDate paid, Handling handling) {
        return new OpenItem(
                id,
                paid == null ? OpenItem.Kind.INVOICE : OpenItem.Kind.COMMITMENT,
                "No " + id,
                "Harrow Fish",
                "kelp",
                MARCH_18.minusDays(30),
                MARCH_18.minusDays(30),
                MARCH_18,
                new OpenItem.Amount(60_000, 0, false, paid == null ? 60_000 : 0),
                paid,
                handling,
                null);
    }

    private static Change of(String item, Part part, Act act) {
        return WhatIfCases.change(new Target.OfItem(item, part), act, DayRange.ALWAYS);
    }

    private static Act set(String text) {
        return new Act.Set(Typed.of(text));
    }

    private static ExpectedItem expected(Forecast base, String item, Change... changes) {
        Forecast shown = WhatIfCases.forecast(base, changes);
        return shown.items().of(shown.plan().lines().get(0)).stream()
                .filter(one -> one.item().id().equals(item))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void dayPromiseAndStanding_inWordsAndOnTheirDays() {
        Forecast base = kelpOnBooks();
        assertThat(expected(base, "open").day()).isEqualTo(MARCH_18);
        ExpectedItem typed = expected(base, "open", of("open", Part.EXPECTED, set("2026-04-20")));
        assertThat(typed.day()).isEqualTo(APRIL_20);
        assertThat(typed.because()).isEqualTo("expected on the day typed, as 'Slower spring' has it");
        assertThat(expected(base, "promised", of("promised", Part.PROMISED, new Act.LeaveOut()))
                        .day())
                .isEqualTo(MARCH_18);
        assertThat(expected(base, "promised", of("promised", Part.PROMISED, new Act.Shift(1, Act.Shift.Unit.MONTHS)))
                        .day())
                .isEqualTo(LocalDate.of(2026, 4, 27));
        assertThat(expected(base, "open", of("open", Part.STANDING, set("held")))
                        .isLeftOut())
                .isTrue();
        ChangeWords words = ChangeWords.of(base, of("open", Part.STANDING, set("cannot-wait")));
        assertThat(words.target() + " " + words.act()).isEqualTo("No open of Harrow Fish: standing is cannot wait");
    }

    /** What nothing can be said of, or not so, finds nothing and says why. */
    @Test
    void itemThatIsPaidOrGone_orAWordThatIsNone_findsNothing() {
        Forecast base = kelpOnBooks();
        Map<Change, String> refused = Map.of(
                of("paid", Part.EXPECTED, set("2026-04-20")),
                "'No paid' of Harrow Fish is paid",
                of("gone", Part.EXPECTED, set("2026-04-20")),
                "The books have no open item 'gone' any more",
                of("open", Part.EXPECTED, set("2026-02-20")),
                "can only be expected after the as-of date",
                of("open", Part.EXPECTED, new Act.LeaveOut()),
                "No such day is typed for 'No open' of Harrow Fish",
                of("open", Part.EXPECTED, set("12")),
                "is set to one such as",
                of("open", Part.STANDING, set("lost")),
                "is set to be normal, held, disputed, or cannot-wait");
        refused.forEach((change, why) ->
                assertThatThrownBy(() -> WhatIfCases.forecast(base, change)).hasMessageContaining(why));
    }

    /** What an item comes to, and its note, are the books'. */
    @Test
    void amountNoteAndNewItem_typedInAScenario_areRefused() {
        Forecast base = kelpOnBooks();
        Scenario shown = WhatIfCases.scenario();
        ScenarioEdit edit = new ScenarioEdit(base, new Scenarios(List.of(shown)), shown);
        OpenItem open = item("open", null, Handling.NONE);
        List<OpenItem> others =
                List.of(open.open(100, null), open.with(new Handling(null, null, Standing.NORMAL, "asked twice")));
        others.forEach(other ->
                assertThatThrownBy(() -> edit.items(List.of(other))).hasMessageContaining("belong to the books"));
        assertThatThrownBy(() -> edit.items(List.of(item("more", null, Handling.NONE))))
                .hasMessageContaining("show the base to add one");
        assertThat(edit.items(List.of(open))).isEqualTo(shown);
    }

    /** An item that a scenario has on a day of its own is still tried on another; half of a shift is half its days. */
    @Test
    void itemOfAScenario_isTriedOnAnotherDay_andSharedByHalves() {
        Forecast base = kelpOnBooks();
        Forecast shown = WhatIfCases.forecast(base, of("open", Part.EXPECTED, set("2026-04-20")));
        Forecast tried = ChaseAndHold.trial(shown, "open", MARCH_25);
        assertThat(tried.closing(MARCH_25) - shown.closing(MARCH_25)).isEqualTo(60_000);
        Scenario later = WhatIfCases.scenario(of("promised", Part.PROMISED, new Act.Shift(10, Act.Shift.Unit.DAYS)));
        Forecast half = Forecaster.forecast(
                ScenarioPlan.ofShare(base, new Scenarios(List.of(later)), later, Percent.parse("50"))
                        .plan(),
                base.books(),
                base);
        assertThat(half.items().of(half.plan().lines().get(0)).stream().map(ExpectedItem::day))
                .contains(LocalDate.of(2026, 3, 30));
    }
}
