package ebbtide.sim;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.BankMovement;
import ebbtide.formats.bank.BankRow;
import ebbtide.formats.statement.DeclaredStatement;
import ebbtide.formats.statement.StatementFormat;
import ebbtide.money.Money;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What the stand-in for a bank writes in a standard format is read back as it was, whatever it holds. */
class IssuedStatementTest {
    private static final List<String> WORDS =
            List.of("INVOICE 12", "A & B", "less < more", "BACS PAYROLL", "Ünal's", "x");

    @Test
    void anyStatement_writtenInEachFormat_isReadBack() {
        Random random = new Random(940);
        for (int run = 0; run < 200; run++) {
            Currency currency = Money.currency(List.of("GBP", "JPY", "KWD").get(random.nextInt(3)));
            IssuedStatement issued = issued(random, currency);
            for (StatementFormat format : StatementFormat.values()) {
                byte[] file =
                        switch (format) {
                            case CAMT_053 -> issued.camt().getBytes(StandardCharsets.UTF_8);
                            case MT940 -> issued.mt940().getBytes(StandardCharsets.UTF_8);
                            case OFX -> issued.ofx().getBytes(StandardCharsets.UTF_8);
                        };
                assertThat(StatementFormat.find(file)).contains(format);
                DeclaredStatement read = format.read(file).get(0);
                assertThat(read.accountNumber()).isEqualTo(issued.accountNumber());
                assertThat(read.closing()).isEqualTo(issued.closing());
                assertThat(read.rows())
                        .as("%s, run %d", format, run)
                        .extracting(BankRow::minor)
                        .containsExactlyElementsOf(issued.movements().stream()
                                .map(BankMovement::minor)
                                .toList());
                assertThat(read.rows())
                        .extracting(BankRow::bookingDate, BankRow::text, BankRow::counterparty)
                        .containsExactlyElementsOf(issued.movements().stream()
                                .map(m -> org.assertj.core.groups.Tuple.tuple(
                                        m.bookingDate(), m.text(), m.counterparty()))
                                .toList());
            }
        }
    }

    private static IssuedStatement issued(Random random, Currency currency) {
        LocalDate day = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(360));
        List<BankMovement> movements = new ArrayList<>();
        IntStream.range(0, random.nextInt(6)).forEach(i -> {
            long minor = (random.nextBoolean() ? 1 : -1) * (1L + random.nextInt(9_000_000));
            movements.add(new BankMovement(
                    "a",
                    day,
                    day,
                    minor,
                    WORDS.get(random.nextInt(WORDS.size())),
                    WORDS.get(random.nextInt(WORDS.size())),
                    random.nextBoolean() ? "" : "REF" + i,
                    List.of()));
        });
        return new IssuedStatement(
                "0000-" + random.nextInt(9),
                1 + random.nextInt(400),
                currency,
                day,
                day,
                random.nextInt(9_000_000) - 4_000_000L,
                movements);
    }
}
