package ebbtide.formats.bank;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.formats.bank.CsvDialect.Encoding;
import ebbtide.money.Money;
import java.io.ByteArrayInputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Files of banks made up at random: what is proposed from the first lines reads every movement back. */
class AnyDialectTest {
    private record Movement(LocalDate day, long minor, String text) {}

    static LongStream seeds() {
        return LongStream.range(0, 300);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void file_inSomeBanksHand_isProposedAndReadWhole(long seed) {
        Random random = new Random(seed);
        List<Movement> movements = new ArrayList<>();
        // Days beyond the 12th tell day from month; without any nobody could.
        LocalDate day = LocalDate.of(2026, 1, 13);
        for (int i = 0; i < 25; i++) {
            day = day.plusDays(random.nextInt(3));
            movements.add(new Movement(
                    day,
                    random.nextInt(2_000_000) - 1_000_000L,
                    List.of("GULLROCK, HOTELS", "ICE; AND BOXES", "Möwe Büro", "RENT \"SHED\"")
                                    .get(random.nextInt(4)) + " " + i));
        }
        Encoding encoding = random.nextBoolean() ? Encoding.UTF_8 : Encoding.WINDOWS_1252;
        byte[] file = new Hand(random).write(movements).getBytes(encoding.charset());
        CsvDialect dialect = CsvProposal.of(file).dialect().orElseThrow();
        List<Movement> read = new ArrayList<>();
        List<RowProblem> problems = new ArrayList<>();
        new BankCsvReader(dialect, Money.currency("EUR"))
                .read(new ByteArrayInputStream(file), new BankCsvReader.Sink() {
                    @Override
                    public void row(BankRow row) {
                        read.add(new Movement(row.bookingDate(), row.minor(), row.text()));
                    }

                    @Override
                    public void problem(RowProblem problem) {
                        problems.add(problem);
                    }
                });
        assertThat(problems).isEmpty();
        assertThat(read).isEqualTo(movements);
    }

    /** One bank's way to write. */
    private static final class Hand {
        private final char separator;
        private final boolean comma;
        private final boolean two;
        private final boolean balance;
        private final int order;
        private final char mark;
        private final int preamble;
        private final boolean groups;
        private final StringBuilder out = new StringBuilder();

        Hand(Random random) {
            this.separator = ",;\t|".charAt(random.nextInt(4));
            this.comma = random.nextBoolean();
            this.two = random.nextBoolean();
            this.balance = random.nextBoolean();
            this.order = random.nextInt(3);
            this.mark = "-/.".charAt(random.nextInt(3));
            this.preamble = random.nextInt(4);
            this.groups = random.nextBoolean();
        }

        String write(List<Movement> movements) {
            for (int i = 0; i < preamble; i++) {
                row("Statement no. " + i, "of a bank");
            }
            List<String> head = new ArrayList<>(List.of("Date", "Description"));
            head.addAll(two ? List.of("Paid out", "Paid in") : List.of("Amount"));
            if (balance) {
                head.add("Balance");
            }
            row(head.toArray(String[]::new));
            long level = 5_000_000;
            for (Movement m : movements) {
                level += m.minor();
                List<String> fields = new ArrayList<>(List.of(date(m.day()), m.text()));
                fields.addAll(
                        two
                                ? List.of(
                                        m.minor() < 0 ? amount(-m.minor()) : "", m.minor() < 0 ? "" : amount(m.minor()))
                                : List.of(amount(m.minor())));
                if (balance) {
                    fields.add(amount(level));
                }
                row(fields.toArray(String[]::new));
            }
            return out.toString();
        }

        private void row(String... fields) {
            for (int i = 0; i < fields.length; i++) {
                boolean quoted = fields[i].indexOf(separator) >= 0 || fields[i].indexOf('"') >= 0;
                out.append(i == 0 ? "" : separator)
                        .append(quoted ? '"' + fields[i].replace("\"", "\"\"") + '"' : fields[i]);
            }
            out.append("\r\n");
        }

        private String date(LocalDate day) {
            String[] parts = {
                String.format("%04d", day.getYear()),
                String.format("%02d", day.getMonthValue()),
                String.format("%02d", day.getDayOfMonth())
            };
            return switch (order) {
                case 0 -> String.join(String.valueOf(mark), parts);
                case 1 -> String.join(String.valueOf(mark), parts[2], parts[1], parts[0]);
                default -> String.join(String.valueOf(mark), parts[1], parts[2], parts[0]);
            };
        }

        private String amount(long minor) {
            String text = String.format(Locale.ROOT, groups ? "%,.2f" : "%.2f", minor / 100.0);
            return comma ? text.replace(',', ' ').replace('.', ',').replace(' ', '.') : text;
        }
    }
}
