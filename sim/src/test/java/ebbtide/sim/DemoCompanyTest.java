package ebbtide.sim;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.answers.ChecklistItem;
import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.formats.plan.PlanDocument;
import ebbtide.plan.Covenant;
import ebbtide.plan.PlanCheck;
import ebbtide.statements.Covenants;
import ebbtide.statements.OpeningCheck;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.Month;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The demo company: it ties, and it has the May that makes it worth looking at. */
class DemoCompanyTest {
    @Test
    void forecast_ofTheDemo_hasItsLowWaterInMay_whenTheFacilityIsDrawn() {
        PlanDocument demo = DemoCompany.document();
        assertThat(PlanCheck.problems(demo.plan())).isEmpty();
        Forecast forecast = Forecaster.forecast(demo.plan(), demo.books());
        assertThat(forecast.lowWater().day().getMonth()).isEqualTo(Month.MAY);
        assertThat(forecast.lowWater().day().getYear()).isEqualTo(2026);
        assertThat(forecast.peakNeed())
                .as("cash before the facility is below its minimum")
                .isPositive();
        assertThat(forecast.funding()
                        .drawn(0, forecast.timeline().index(forecast.lowWater().day())))
                .isPositive();
        assertThat(ChecklistItem.of(Forecaster.forecast(demo.plan(), demo.books())))
                .isEmpty();
    }

    @Test
    void movements_ofTwentySixWeeks_makeTheBalancesAndAreAllAssigned() {
        PlanDocument demo = DemoCompany.document();
        Books books = demo.books();
        assertThat(books.findFirstDay()).contains(LocalDate.of(2025, 9, 1));
        assertThat(demo.movements()).allMatch(m -> m.unassigned() == 0);
        assertThat(books.transfers().stream().mapToLong(d -> d.minor()).sum()).isZero();
        demo.accounts().forEach(account -> {
            long moved = demo.movements().stream()
                    .filter(m -> m.account().equals(account.id()))
                    .mapToLong(m -> m.minor())
                    .sum();
            assertThat(books.balance(account, LocalDate.of(2025, 8, 31))).isEqualTo(account.balance() - moved);
            assertThat(books.balance(account, LocalDate.of(2025, 8, 31))).isPositive();
        });
    }

    @Test
    void files_inTheDemoFolder_areWhatTheBankWouldWriteToday() throws IOException {
        for (var file : DemoFiles.texts().entrySet()) {
            assertThat(Files.readString(Path.of("../demo", file.getKey())))
                    .as(file.getKey())
                    .isEqualTo(file.getValue());
        }
    }

    @Test
    void statements_ofTheDemo_balanceFromTheOpeningOn_andSeptemberIsInDanger() {
        PlanDocument demo = DemoCompany.document();
        Forecast forecast = Forecaster.forecast(demo.plan(), demo.books());
        OpeningCheck.Result opening = OpeningCheck.of(forecast);
        assertThat(opening.findings()).isEmpty();
        assertThat(opening.unplaced()).isZero();
        List<Covenants.Summary> covenants = Covenants.summaries(forecast);
        assertThat(covenants).hasSize(4).allMatch(one -> one.known() && one.firstBreak() == null);
        Covenants.Tested cover = covenants.stream()
                .filter(one -> one.covenant().ratio() == Covenant.Ratio.INTEREST_COVER)
                .findFirst()
                .orElseThrow()
                .tightest();
        assertThat(cover.date()).isEqualTo(LocalDate.of(2026, 9, 30));
        assertThat(cover.value()).isBetween(new BigDecimal("2.5"), new BigDecimal("3"));
    }
}
