package ebbtide.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.money.Money;
import ebbtide.plan.DatedItems;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The facts: balances that movements carry from day to day, rules and suggestions for what movements were. */
class BooksTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 1);

    private static BankMovement movement(
            String account, LocalDate day, long minor, String text, String party, AssignedPart... parts) {
        return new BankMovement(account, day, day, minor, text, party, "", List.of(parts));
    }

    @Test
    void balance_onAnyDay_isTheAnchorCarriedByTheMovementsBetween() {
        Random random = new Random(3);
        for (int run = 0; run < 300; run++) {
            LocalDate anchor = DAY.plusDays(random.nextInt(20));
            List<BankMovement> movements = new ArrayList<>();
            for (int i = random.nextInt(12); i > 0; i--) {
                movements.add(movement("a", DAY.plusDays(random.nextInt(30)), random.nextInt(2_000) - 1_000L, "x", ""));
            }
            Account account = new Account("a", "A", "GB", false, anchor, 5_000);
            Books books = Books.of(List.of(account), movements);
            assertThat(books.balance(account, anchor)).isEqualTo(5_000);
            for (int day = 0; day < 32; day++) {
                LocalDate date = DAY.plusDays(day);
                long moved = movements.stream()
                        .filter(m -> m.bookingDate().equals(date))
                        .mapToLong(BankMovement::minor)
                        .sum();
                assertThat(books.balance(account, date) - books.balance(account, date.minusDays(1)))
                        .as("run %d", run)
                        .isEqualTo(moved);
            }
        }
    }

    @Test
    void books_ofMovementsAddedAndTakenOffInAnyOrder_areThoseOfWhatIsLeft() {
        Random random = new Random(8);
        List<Account> accounts =
                List.of(new Account("a", "A", "GB", false, DAY, 100), new Account("h", "H", "GB", true, DAY, 7));
        for (int run = 0; run < 300; run++) {
            List<BankMovement> left = new ArrayList<>();
            Books books = Books.of(accounts);
            for (int i = 0; i < 30; i++) {
                if (random.nextInt(3) > 0 || left.isEmpty()) {
                    BankMovement added = someMovement(random);
                    left.add(added);
                    books = books.plus(Books.of(accounts, List.of(added)));
                } else {
                    books = books.minus(Books.of(accounts, List.of(left.remove(random.nextInt(left.size())))));
                }
                assertThat(books).as("run %d, step %d", run, i).isEqualTo(Books.of(accounts, left));
            }
        }
    }

    /** In or out, of either account, on one of a few days, some of it assigned to one of two lines or as a transfer. */
    private static BankMovement someMovement(Random random) {
        long minor = (random.nextBoolean() ? 1 : -1) * (1 + random.nextInt(900));
        long part = minor / (1 + random.nextInt(3));
        AssignedPart[] parts = part == 0 || random.nextInt(4) == 0
                ? new AssignedPart[0]
                : new AssignedPart[] {new AssignedPart(random.nextInt(3) == 0 ? null : "line" + random.nextInt(2), part)
                };
        return movement(random.nextInt(4) == 0 ? "h" : "a", DAY.plusDays(random.nextInt(4)), minor, "x", "", parts);
    }

    @Test
    void restrictedAccount_isShownButItsCashAndMovementsStayOutside() {
        Account free = new Account("a", "A", "GB", false, DAY, 1_000);
        Account held = new Account("h", "H", "GB", true, DAY, 9_000);
        Books books = Books.of(
                List.of(free, held),
                List.of(
                        movement("h", DAY.plusDays(1), 77, "INTEREST", "", new AssignedPart("line", 77)),
                        movement("a", DAY.plusDays(1), -5, "FEE", "")));
        assertThat(books.cash(DAY.plusDays(1))).isEqualTo(995);
        assertThat(books.balance(held, DAY.plusDays(1))).isEqualTo(9_077);
        assertThat(books.byLine()).isEmpty();
        assertThat(books.unassignedOut()).containsExactly(new DayAmount(DAY.plusDays(1), -5));
    }

    @Test
    void parts_thatDoNotFitTheMovement_areRefused() {
        assertThatThrownBy(
                        () -> movement("a", DAY, -100, "", "", new AssignedPart("x", -60), new AssignedPart("y", -50)))
                .hasMessage("the parts add up to more than the movement: lower one of them");
        assertThatThrownBy(() -> movement("a", DAY, -100, "", "", new AssignedPart("x", 60)))
                .hasMessage("a part of a movement must have its direction and not be zero");
        assertThat(movement("a", DAY, -100, "", "", new AssignedPart("x", -60)).unassigned())
                .isEqualTo(-40);
    }

    @Test
    void rule_fits_onlyWhatMeetsEveryConditionItNames() {
        AssignRule rule = new AssignRule("r", "Card  takings", "", "shop", 1, 100L, 900L, "line");
        assertThat(rule.fits(movement("shop", DAY, 500, "DAILY CARD TAKINGS 7", "")))
                .isTrue();
        assertThat(rule.fits(movement("shop", DAY, 500, "card\t takings", ""))).isTrue();
        assertThat(rule.fits(movement("current", DAY, 500, "CARD TAKINGS", "")))
                .as("another account")
                .isFalse();
        assertThat(rule.fits(movement("shop", DAY, -500, "CARD TAKINGS", "")))
                .as("money out")
                .isFalse();
        assertThat(rule.fits(movement("shop", DAY, 901, "CARD TAKINGS", "")))
                .as("too much")
                .isFalse();
        assertThat(rule.fits(movement("shop", DAY, 99, "CARD TAKINGS", "")))
                .as("too little")
                .isFalse();
        assertThat(rule.fits(movement("shop", DAY, 500, "CARD FEES", "")))
                .as("other words")
                .isFalse();
        AssignRule any = new AssignRule("any", "", "", null, 1, 1L, null, "other");
        assertThat(AssignRule.findFitting(List.of(rule, any), movement("shop", DAY, 500, "CARD TAKINGS", "")))
                .contains(rule);
        assertThat(AssignRule.findFitting(List.of(rule, any), movement("shop", DAY, 500, "CARD FEES", "")))
                .contains(any);
        assertThat(AssignRule.findFitting(List.of(rule, any), movement("shop", DAY, -500, "CARD FEES", "")))
                .isEmpty();
        assertThatThrownBy(() -> new AssignRule("r", " ", "", "shop", 1, null, null, "line"))
                .hasMessageContaining("fits nothing");
        assertThatThrownBy(() -> new AssignRule("r", "x", "", null, 1, 9L, 1L, null))
                .hasMessageContaining("exchange them");
    }

    @Test
    void suggestions_learntFromEarlierAssignments_putTheLineOfTheSameWordsFirst() {
        List<Line> lines = List.of(
                line("sales", Direction.RECEIPT), line("rent", Direction.PAYMENT), line("ice", Direction.PAYMENT));
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), DAY), lines, List.of());
        AssignmentMemory memory = new AssignmentMemory(List.of(
                movement("a", DAY, -10, "BILL 1", "Icehouse Supplies", new AssignedPart("ice", -10)),
                movement("a", DAY, -10, "BILL 2", "Harbour Board", new AssignedPart("rent", -10)),
                movement("a", DAY, -10, "BILL 3", "Icehouse Supplies", new AssignedPart("ice", -10))));
        assertThat(memory.suggest(movement("a", DAY, -30, "BILL 9", "ICEHOUSE SUPPLIES"), plan, 5))
                .containsExactly("ice", "rent");
        assertThat(memory.suggest(movement("a", DAY, -30, "BILL 9", "HARBOUR BOARD"), plan, 1))
                .containsExactly("rent");
        assertThat(memory.suggest(movement("a", DAY, 30, "NOBODY KNOWS", ""), plan, 5))
                .containsExactly("sales");
    }

    /**
     * A repayment of sales tax comes from whom pay's taxes go to: its own words and the way of the cash say what it is.
     */
    @Test
    void suggestions_heedTheTextsOwnWords_andTheWayOfTheCash() {
        List<Line> lines = List.of(
                line("sales", Direction.RECEIPT), line("pay", Direction.PAYMENT), line("vat", Direction.PAYMENT));
        Plan plan = new Plan(Settings.of("P", Money.currency("GBP"), DAY), lines, List.of());
        List<BankMovement> assigned = new java.util.ArrayList<>();
        for (int i = 0; i < 9; i++) {
            assigned.add(movement("a", DAY, -10, "PAYROLL TAX", "Revenue Office", new AssignedPart("pay", -10)));
        }
        assertThat(new AssignmentMemory(assigned)
                        .suggest(movement("a", DAY, 30, "VAT REPAYMENT", "REVENUE OFFICE"), plan, 2))
                .startsWith("vat");
        assertThat(new AssignmentMemory(assigned)
                        .suggest(movement("a", DAY, -30, "PAYROLL TAX", "REVENUE OFFICE"), plan, 2))
                .startsWith("pay");
        assigned.add(movement("a", DAY, 20, "REPAYMENT 4711", "Revenue Office", new AssignedPart("vat", 20)));
        assertThat(new AssignmentMemory(assigned)
                        .suggest(movement("a", DAY, 30, "REPAYMENT 4712", "REVENUE OFFICE"), plan, 2))
                .as("learnt from what came in")
                .startsWith("vat");
        List<Line> loan = List.of(line("sales", Direction.RECEIPT), line("interest on the loan", Direction.PAYMENT));
        assertThat(new AssignmentMemory(List.of())
                        .suggest(
                                movement("a", DAY, 30, "TRANSFER", "The Limpet Room"),
                                new Plan(Settings.of("P", Money.currency("GBP"), DAY), loan, List.of()),
                                2))
                .as("a word that names nothing")
                .containsExactly("sales");
    }

    private static Line line(String id, Direction direction) {
        return new Line(
                id, null, id, direction, true, null, "", DatedItems.untaxed(List.of(), Convention.NONE), List.of());
    }
}
