package ebbtide.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import ebbtide.Asked;
import ebbtide.accounts.LeaseSchedule;
import ebbtide.answers.ChecklistItem;
import ebbtide.answers.FundingCost;
import ebbtide.books.Account;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.forecast.FundingTable;
import ebbtide.forecast.RandomPlans;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.Assumption;
import ebbtide.plan.Charging;
import ebbtide.plan.Direction;
import ebbtide.plan.Interest;
import ebbtide.plan.Lease;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.Settings;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** Leases to the cent (rules 8.11), in cash, statements and what funds a plan. */
class LeaseTest {
    private static final LocalDate D = LocalDate.of(2026, 2, 28);
    private static final LocalDate ON = LocalDate.of(2026, 3, 2);
    private static final BusinessDays WEEKENDS = BusinessDays.ofCountry("--");
    private static final Period MARCH = new Period(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 4, 1));
    private static final Period APRIL = new Period(LocalDate.of(2026, 4, 1), LocalDate.of(2026, 5, 1));
    private static final Percent SIX = Percent.parse("6");
    private static final Line INTEREST = line("interest", new Interest(Interest.Of.LINE, "lease", Charging.MONTHLY));

    private static Line line(String id, Assumption assumption) {
        return new Line(id, null, id, Direction.PAYMENT, true, null, "", assumption, List.of());
    }

    private static Lease lease(Lease.Treatment by, long financed, long payment, Percent rate, boolean inAdvance) {
        return new Lease(
                by,
                ON,
                financed,
                payment,
                rate,
                12,
                1,
                inAdvance,
                0,
                600_000,
                0,
                Lease.Taxed.NONE,
                true,
                Convention.NONE,
                null);
    }

    private static Lease w33(long financed, long payment, Percent rate) {
        return lease(Lease.Treatment.RIGHT_OF_USE, financed, payment, rate, false);
    }

    private static LeaseSchedule of(Lease lease) {
        return new LeaseSchedule(lease, WEEKENDS);
    }

    private static List<Long> interest(LeaseSchedule schedule) {
        return schedule.payments().stream().map(LeaseSchedule.Payment::interest).toList();
    }

    @Test
    void payments_followFromAmountAndRate_theLastTakesTheRounding() {
        LeaseSchedule schedule = of(w33(4_800_000, 0, SIX));
        assertThat(schedule.payments().subList(0, 11)).allMatch(one -> one.whole() == 364_479);
        assertThat(schedule.payments().get(11).whole()).isEqualTo(364_478);
        assertThat(schedule.payments().get(12).whole()).isEqualTo(600_000);
        assertThat(interest(schedule).subList(0, 3)).containsExactly(24_000L, 22_298L, 20_587L);
        assertThat(interest(schedule).get(11)).isEqualTo(4_798);
        assertThat(interest(schedule).stream().mapToLong(one -> one).sum()).isEqualTo(173_747);
        assertThat(schedule.owedOn(LocalDate.of(2027, 3, 1))).isEqualTo(964_478 - 4_798);
        assertThat(schedule.owedOn(LocalDate.of(2027, 3, 2))).isZero();
    }

    @Test
    void rate_isTheOneAtWhichPaymentsComeToTheAmount_andTheAmountFollowsFromPaymentsAndRate() {
        assertThat(of(w33(4_800_000, 364_479, null)).rate()).isEqualTo(SIX);
        assertThat(of(w33(0, 364_479, SIX)).financed()).isEqualTo(4_800_000);
        assertThat(of(w33(364_479L * 12 + 600_000, 364_479, null)).rate()).isEqualTo(Percent.ZERO);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> w33(5_000_000, 364_479, null))
                .withMessageContaining("no rate does that");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> w33(4_800_000, 364_479, SIX))
                .withMessageContaining("the third follows");
    }

    /** Of any lease what is repaid comes to what is financed, and the rate found gives back the payments. */
    @Test
    void anyLease_isRepaidWhole_andItsRateIsFoundAgain() {
        AtomicInteger seen = new AtomicInteger();
        RandomPlans.each(Asked.of(400), (some, seed) -> {
            for (Line line : some.plan().lines()) {
                if (line.assumption() instanceof Lease lease) {
                    LeaseSchedule schedule = of(lease);
                    assertThat(schedule.payments().stream()
                                    .mapToLong(LeaseSchedule.Payment::principal)
                                    .sum())
                            .isEqualTo(schedule.financed());
                    if (lease.financed() == 0 && lease.payment() > 10_000 && lease.rate() != null) {
                        Lease asked = new Lease(
                                lease.treatment(),
                                lease.on(),
                                schedule.financed(),
                                lease.payment(),
                                null,
                                lease.payments(),
                                lease.everyMonths(),
                                lease.inAdvance(),
                                0,
                                lease.finalPayment(),
                                0,
                                Lease.Taxed.NONE,
                                true,
                                lease.convention(),
                                null);
                        // A cent of what is financed is so much of the rate.
                        long within = 1 + 2_000_000L / lease.payment();
                        assertThat(
                                        lease.payments() == 1 && lease.inAdvance()
                                                ? 0
                                                : of(asked).rate().millionths()
                                                        - lease.rate().millionths())
                                .isBetween(-within, within);
                        seen.incrementAndGet();
                    }
                }
            }
        });
        assertThat(seen.get()).isPositive();
    }

    private static Forecast forecast(Lease lease, Line... more) {
        Settings settings = Settings.of("P", Money.currency("GBP"), D)
                .withOpeningSheet(new OpeningSheet(
                        D,
                        List.of(new OpeningSheet.Entry("Capital", OpeningSheet.Kind.PAID_IN, 30_000_000, null, true))));
        java.util.ArrayList<Line> lines = new java.util.ArrayList<>(List.of(line("lease", lease)));
        lines.addAll(List.of(more));
        Plan plan = new Plan(settings, lines, List.of());
        assertThat(PlanCheck.problems(plan)).isEmpty();
        return Forecaster.forecast(
                plan,
                new Books(
                        List.of(new Account("a", "A", "--", false, D, 30_000_000)),
                        Map.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        Map.of()));
    }

    private static long cash(Forecast forecast, String day) {
        return forecast.closing(LocalDate.parse(day))
                - forecast.closing(LocalDate.parse(day).minusDays(1));
    }

    private static long in(Forecast forecast, String figure, int month) {
        Statements all = Statements.of(forecast);
        return (figure.startsWith("row") || figure.equals("accumulated")
                        ? all.balance().figure(figure)
                        : all.income().figure(figure))
                .in(month);
    }

    @Test
    void rightOfUse_isAnAssetThatIsUsedUp_andADebt() {
        Forecast forecast = forecast(w33(4_800_000, 0, SIX), INTEREST);
        assertThat(cash(forecast, "2026-03-02")).isZero();
        assertThat(cash(forecast, "2026-04-02")).isEqualTo(-364_479);
        assertThat(in(forecast, "row fixed_assets", 0)).isEqualTo(4_800_000);
        assertThat(in(forecast, "row fixed_assets", 2)).isEqualTo(4_000_000);
        assertThat(in(forecast, "accumulated", 2)).isEqualTo(-800_000);
        assertThat(in(forecast, "depreciation", 1)).isEqualTo(-400_000);
        assertThat(in(forecast, "row debt_within_a_year", 0) + in(forecast, "row debt_later", 0))
                .isEqualTo(4_800_000);
        assertThat(in(forecast, "row debt_later", 0)).isEqualTo(0);
        // Thirty of thirty-one days of the first period, and the last day of it with twenty-nine of the second.
        assertThat(in(forecast, "interest", 0)).isEqualTo(-Math.round(24_000 * 29 / 31.0));
        FundingTable table = FundingTable.of(forecast, List.of(APRIL));
        assertThat(table.debts().get(0).owed()).containsExactly(4_800_000L - 364_479 + 24_000);
        FundingCost cost = FundingCost.of(forecast).get(0);
        assertThat(cost.interest()).isEqualTo(173_747);
        assertThat(cost.because()).contains("agreed at 6%");
        assertThat(ChecklistItem.of(forecast(w33(4_800_000, 0, SIX))))
                .anyMatch(one -> one.sentence().contains("no line pays it"));
    }

    @Test
    void rent_isACostOfTheDaysItCovers_theDepositOfTheTerm_withTaxOnTop() {
        Lease rent = new Lease(
                Lease.Treatment.RENT,
                LocalDate.of(2026, 3, 16),
                0,
                310_000,
                null,
                12,
                1,
                true,
                365_000,
                0,
                0,
                new Lease.Taxed(Percent.parse("20"), Percent.HUNDRED, false),
                true,
                Convention.NONE,
                null);
        Forecast forecast = forecast(rent);
        assertThat(cash(forecast, "2026-03-16")).isEqualTo(-(365_000 + 310_000) * 12 / 10);
        assertThat(cash(forecast, "2026-04-16")).isEqualTo(-372_000);
        // 16 of 31 days from 16 March to 15 April; of the deposit 16 of 365.
        assertThat(in(forecast, "overheads", 0)).isEqualTo(-160_000 - 16_000);
        assertThat(in(forecast, "row prepaid", 0)).isEqualTo(310_000 + 365_000 - 176_000);
        assertThat(in(forecast, "depreciation", 0)).isZero();
        assertThat(FundingTable.of(forecast, List.of(MARCH)).debts()).isEmpty();
    }

    @Test
    void salesTax_wholeAtTheStart_isPaidThen_andWhatIsKeptAddsToTheCost() {
        Lease lease = new Lease(
                Lease.Treatment.RIGHT_OF_USE,
                ON,
                4_800_000,
                0,
                SIX,
                12,
                1,
                false,
                200_000,
                0,
                0,
                new Lease.Taxed(Percent.parse("20"), Percent.parse("60"), true),
                true,
                Convention.NONE,
                null);
        Forecast forecast = forecast(lease, INTEREST);
        assertThat(cash(forecast, "2026-03-02")).isEqualTo(-200_000 - 1_000_000);
        assertThat(in(forecast, "row fixed_assets", 0)).isEqualTo(5_000_000 + 400_000);
    }
}
