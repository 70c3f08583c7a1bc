package ebbtide.books;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.money.Money;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Currency;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/**
 * Statements against each other and against the books: whole, nothing is said; one left out or changed, and it is said
 * where.
 */
class StatementCheckTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 1);
    private static final Currency POUND = Money.currency("GBP");

    /** Daily statements over random movements; the account's balance is the one before all of them. */
    private record World(Account account, List<BankMovement> movements, List<StatementBalances> statements) {
        static World of(Random random) {
            Account account = new Account("a", "A", "GB", false, DAY, random.nextInt(9_000));
            List<BankMovement> movements = new ArrayList<>();
            List<StatementBalances> statements = new ArrayList<>();
            long balance = account.balance();
            for (int day = 1; day <= 8; day++) {
                LocalDate date = DAY.plusDays(day);
                long opening = balance;
                for (int i = random.nextInt(4); i > 0; i--) {
                    long minor = random.nextInt(2_000) - 1_000L;
                    movements.add(new BankMovement("a", date, date, minor, "x", "", "", List.of()));
                    balance += minor;
                }
                statements.add(new StatementBalances("a", "" + day, date, date, opening, balance));
            }
            Collections.shuffle(statements, random);
            return new World(account, movements, statements);
        }

        List<StatementCheck> checked(List<StatementBalances> some) {
            return StatementCheck.of(Books.of(List.of(account), movements), some);
        }
    }

    @Test
    void wholeChain_inAnyOrder_hasNothingAmiss() {
        Random random = new Random(11);
        for (int run = 0; run < 200; run++) {
            World world = World.of(random);
            assertThat(world.checked(world.statements()))
                    .as("run %d", run)
                    .allMatch(check -> check.gapSentence(POUND).isEmpty()
                            && check.differenceSentence(POUND).isEmpty());
        }
    }

    @Test
    void oneStatementLeftOut_isMissedByTheOneAfterIt_byWhatItMoved() {
        Random random = new Random(12);
        for (int run = 0; run < 200; run++) {
            World world = World.of(random);
            String gone = "" + (2 + random.nextInt(6));
            StatementBalances missing = world.statements().stream()
                    .filter(one -> one.number().equals(gone))
                    .findFirst()
                    .orElseThrow();
            List<StatementBalances> left = world.statements().stream()
                    .filter(one -> !one.equals(missing))
                    .toList();
            String after = "" + (Integer.parseInt(gone) + 1);
            for (StatementCheck check : world.checked(left)) {
                long moved = check.statement().number().equals(after) ? missing.closing() - missing.opening() : 0;
                assertThat(check.gap())
                        .as("run %d, statement %s", run, check.statement().number())
                        .isEqualTo(moved);
            }
        }
    }

    @Test
    void amiss_isSaidWithBothFiguresAndTheDay() {
        Account account = new Account("a", "A", "GB", false, DAY, 100_000);
        BankMovement movement = new BankMovement("a", DAY.plusDays(1), null, -2_500, "x", "", "", List.of());
        List<StatementCheck> checks = StatementCheck.of(
                Books.of(List.of(account), List.of(movement)),
                List.of(
                        new StatementBalances("a", "7", DAY.plusDays(1), DAY.plusDays(1), 90_000L, 87_500L),
                        new StatementBalances("a", "9", DAY.plusDays(3), DAY.plusDays(3), 88_000L, 88_000L)));
        assertThat(checks.get(0).gapSentence(POUND))
                .contains("It opens with 900, but the books hold 1,000 on the day before its first: "
                        + "\u2212100 differs. Bring in the statement between, or correct the account's balance");
        assertThat(checks.get(0).differenceSentence(POUND))
                .contains("The bank closes 2026-03-02 with 875, but the books hold 975: \u2212100 "
                        + "differs. A movement is missing, was brought in twice, or its history was changed");
        assertThat(checks.get(1).gapSentence(POUND))
                .contains(
                        "It opens with 880, but the one before it (7) closed with 875 on 2026-03-02: "
                                + "5 is missing between them. Bring in the statement between, or correct the account's balance");
    }
}
