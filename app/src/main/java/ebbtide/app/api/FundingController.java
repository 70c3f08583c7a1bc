package ebbtide.app.api;

import ebbtide.answers.FundingAnswer;
import ebbtide.answers.FundingCost;
import ebbtide.answers.MovablePayment;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.LineEdits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.FundingTable;
import ebbtide.money.Check;
import ebbtide.money.Money;
import ebbtide.plan.Covenant;
import ebbtide.statements.Covenants;
import ebbtide.time.Period;
import ebbtide.time.Periods;
import ebbtide.workings.FundingWorkings;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** How a plan is funded: period by period, what is owed, and whether it is enough. */
@RestController
@RequestMapping("/api/plans/{plan}/funding")
class FundingController {
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    FundingController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    /** The funding by period, what is owed at the end of each with minimum cash then, and the answer. */
    record FundingView(
            List<PeriodView> periods,
            List<FundingRow> rows,
            List<DebtView> debts,
            DebtView total,
            List<DepositView> deposits,
            List<Long> minimum,
            FundingAnswerView answer) {}

    /** What is put away in a term deposit at the end of each period. */
    record DepositView(String id, String name, List<Long> placed) {}

    /**
     * A row with an amount for each period, and what the base has where a scenario is shown and that is another; its id
     * is that of a line where it is one.
     */
    record FundingRow(
            String id,
            String kind,
            String name,
            List<Long> amounts,
            @Schema(nullable = true) @Nullable List<@Nullable Long> base) {}

    /**
     * What is owed on a facility or a loan at the end of each period, the most that may be, and what is owed in the
     * base where a scenario is shown and that is another.
     */
    record DebtView(
            String id,
            String name,
            boolean revolving,
            List<Long> owed,
            List<Long> most,
            @Schema(nullable = true) @Nullable List<@Nullable Long> base) {
        static DebtView of(FundingTable.Debt debt, BaseAmounts base) {
            return new DebtView(
                    debt.id(),
                    debt.name(),
                    debt.revolving(),
                    debt.owed(),
                    debt.most(),
                    base.of(debt.id(), debt.owed()));
        }
    }

    /** Whether the limits are enough, in a sentence and in figures; the day is null without a shortfall. */
    record FundingAnswerView(
            String sentence,
            long peakNeed,
            LocalDate peakDay,
            long drawnNow,
            long limit,
            long shortfall,
            @Schema(nullable = true) @Nullable LocalDate shortDay,
            long least) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    FundingView funding(
            @PathVariable String plan,
            @RequestParam Periods by,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to,
            @RequestParam(defaultValue = "0") String cushion) {
        PlanAtVersion shown = plans.shown(plan);
        Forecast forecast = shown.forecast();
        LocalDate asOf = forecast.plan().settings().asOf();
        FundingTable table = FundingTable.of(forecast, forecast.periods(by, from, to));
        Optional<FundingTable> inBase = shown.shown().map(one -> FundingTable.of(one.base(), table.periods()));
        BaseAmounts rows = inBase.map(base -> new BaseAmounts(
                        base.rows().stream().collect(Collectors.toMap(FundingTable.Row::id, FundingTable.Row::amounts)),
                        true))
                .orElse(BaseAmounts.NONE);
        BaseAmounts debts = inBase.map(base -> new BaseAmounts(
                        Stream.concat(base.debts().stream(), Stream.of(base.total()))
                                .collect(Collectors.toMap(FundingTable.Debt::id, FundingTable.Debt::owed)),
                        true))
                .orElse(BaseAmounts.NONE);
        FundingAnswer answer = FundingAnswer.of(
                forecast,
                Check.notNegative(
                        Money.minor(cushion, forecast.plan().settings().currency()), "cushion"));
        return new FundingView(
                table.periods().stream()
                        .map(period -> PeriodView.of(period, asOf))
                        .toList(),
                table.rows().stream()
                        .map(row -> new FundingRow(
                                row.id(),
                                row.kind().name().toLowerCase(Locale.ROOT),
                                row.name(),
                                row.amounts(),
                                rows.of(row.id(), row.amounts())))
                        .toList(),
                table.debts().stream().map(debt -> DebtView.of(debt, debts)).toList(),
                DebtView.of(table.total(), debts),
                table.deposits().stream()
                        .map(one -> new DepositView(one.id(), one.name(), one.placed()))
                        .toList(),
                table.periods().stream()
                        .map(period ->
                                forecast.funding().minimum(forecast.timeline().index(period.lastDay())))
                        .toList(),
                new FundingAnswerView(
                        answer.sentence(),
                        answer.peakNeed(),
                        answer.peakDay(),
                        answer.drawnNow(),
                        answer.limit(),
                        answer.shortfall(),
                        answer.shortDay(),
                        answer.least()));
    }

    /** Returns the parts of a figure: of a row, or of what is owed on a line ("owed" and its id). */
    @GetMapping("/workings")
    @Allowed(Role.ONLOOKER)
    List<ItemView> workings(
            @PathVariable String plan,
            @RequestParam String row,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to) {
        return FundingWorkings.of(plans.shownWithin(plan, row).forecast(), row, new Period(from, to.plusDays(1)))
                .stream()
                .map(ItemView::of)
                .toList();
    }

    /**
     * A covenant with how it stands in a sentence, the test that has the least room, the first that breaks, whether all
     * tests are known, and all of them.
     */
    record CovenantView(
            String id,
            String name,
            String ratio,
            String bound,
            String every,
            String sentence,
            boolean known,
            @Schema(nullable = true) @Nullable CovenantTestView tightest,
            @Schema(nullable = true) @Nullable CovenantTestView firstBreak,
            List<CovenantTestView> tests) {}

    /**
     * A test of a covenant: its value in words, whether it holds, how much less would still hold it (below zero: what
     * is missing), and by how many days all customers could pay later.
     */
    record CovenantTestView(
            LocalDate date,
            @Schema(nullable = true) @Nullable String value,
            String standing,
            @Schema(nullable = true) @Nullable Long room,
            @Schema(nullable = true) @Nullable Long daysLater) {
        static CovenantTestView of(Covenants.Tested test, Currency currency) {
            boolean money = test.covenant().ratio() == Covenant.Ratio.LEAST_LIQUIDITY;
            return new CovenantTestView(
                    test.date(),
                    test.value() == null
                            ? null
                            : money
                                    ? Money.words(test.value().longValueExact(), currency)
                                    : test.value().toPlainString(),
                    word(test.standing()),
                    test.room(),
                    test.daysLater());
        }
    }

    @GetMapping("/covenants")
    @Allowed(Role.ONLOOKER)
    List<CovenantView> covenants(@PathVariable String plan) {
        Forecast forecast = plans.shown(plan).forecast();
        Currency currency = forecast.plan().settings().currency();
        List<Covenants.Tested> tests = Covenants.of(forecast);
        return Covenants.summaries(forecast).stream()
                .map(one -> new CovenantView(
                        one.covenant().id(),
                        one.covenant().name(),
                        word(one.covenant().ratio()),
                        one.covenant().ratio() == Covenant.Ratio.LEAST_LIQUIDITY
                                ? Money.words(one.covenant().bound().longValueExact(), currency)
                                : one.covenant().bound().toPlainString(),
                        word(one.covenant().every()),
                        one.sentence(currency),
                        one.known(),
                        view(one.tightest(), currency),
                        view(one.firstBreak(), currency),
                        tests.stream()
                                .filter(test -> test.covenant().equals(one.covenant()))
                                .map(test -> view(test, currency))
                                .toList()))
                .toList();
    }

    private static @Nullable CovenantTestView view(Covenants.@Nullable Tested test, Currency currency) {
        return test == null ? null : CovenantTestView.of(test, currency);
    }

    /**
     * What a facility or a loan costs in all; one that is switched off is an offer. The rate is a year's, empty where
     * nothing is owed.
     */
    record FundingCostView(
            String lineId,
            String name,
            boolean offer,
            boolean loan,
            long owed,
            long interest,
            long fees,
            long total,
            String allIn,
            String because) {}

    @GetMapping("/costs")
    @Allowed(Role.ONLOOKER)
    List<FundingCostView> costs(@PathVariable String plan) {
        return FundingCost.of(plans.shown(plan).forecast()).stream()
                .map(one -> new FundingCostView(
                        one.lineId(),
                        one.name(),
                        one.offer(),
                        one.loan(),
                        one.owed(),
                        one.interest(),
                        one.fees(),
                        one.total(),
                        one.allIn() == null
                                ? ""
                                : BigDecimal.valueOf(one.allIn().millionths(), 4)
                                        .setScale(2, RoundingMode.HALF_UP)
                                        .toPlainString(),
                        one.because()))
                .toList();
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Something of the funding that may be moved to another day. */
    record MovableView(String id, String lineId, String name, LocalDate day, long minor) {}

    @GetMapping("/movables")
    @Allowed(Role.ONLOOKER)
    List<MovableView> movables(@PathVariable String plan) {
        return MovablePayment.of(plans.shown(plan).plan()).stream()
                .map(one -> new MovableView(one.id(), one.lineId(), one.name(), one.day(), one.minor()))
                .toList();
    }

    /** Returns the tide line as it would be with something moved to a day; nothing is changed. */
    @GetMapping("/movables/trial")
    @Allowed(Role.ONLOOKER)
    PlanView.TideLine trial(@PathVariable String plan, @RequestParam String id, @RequestParam LocalDate to) {
        return PlanView.tide(MovablePayment.trial(plans.shown(plan).forecast(), id, to));
    }

    /** Moves something to a day. */
    @PostMapping("/movables/move")
    EditOutcome move(
            @PathVariable String plan,
            @RequestParam long version,
            @RequestParam String id,
            @RequestParam LocalDate to) {
        return EditOutcome.of(plan, edits.edit(plan, version, LineEdits.movePayment(id, to)), stores);
    }

    /** Adds a facility or a loan together with the line of its interest, in one edit; both stand after all others. */
    @PostMapping(path = "/lines", consumes = MediaType.APPLICATION_JSON_VALUE)
    EditOutcome add(
            @PathVariable String plan,
            @RequestParam long version,
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content = @Content(array = @ArraySchema(schema = @Schema(ref = DocumentPart.SENT_LINE))))
                    @RequestBody
                    JsonNode lines) {
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan, version, LineEdits.addFunding(lines.valueStream().toList())),
                stores);
    }
}
