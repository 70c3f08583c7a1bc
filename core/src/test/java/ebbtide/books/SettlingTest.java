package ebbtide.books;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.OpenItem.Amount;
import ebbtide.books.OpenItem.EarlyDiscount;
import ebbtide.books.OpenItem.Kind;
import ebbtide.money.Percent;
import ebbtide.plan.Handling;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;

/** What a movement may settle, likeliest first; whatever is proposed ties to the cent. */
@Isolated
class SettlingTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 20);

    private static OpenItem item(String number, String party, int dueIn, long open) {
        return new OpenItem(
                number + party,
                Kind.INVOICE,
                number,
                party,
                "s",
                DAY.minusDays(30),
                null,
                DAY.plusDays(dueIn),
                new Amount(open, 0, false, open),
                null,
                Handling.NONE,
                null);
    }

    private static BankMovement movement(long minor, String party, String text) {
        return new BankMovement("a", DAY, DAY, minor, text, party, "", List.of());
    }

    private static List<String> said(List<OpenItem> items, BankMovement movement) {
        return new Settling(items, Map.of())
                .proposals(movement, 9).stream()
                        .map(proposal -> String.join(
                                        "+",
                                        proposal.parts().stream()
                                                .map(part -> part.item().number() + ":" + part.minor()
                                                        + (part.less() == 0 ? "" : "-" + part.less()))
                                                .toList())
                                + (proposal.left() == 0 ? "" : " left " + proposal.left()) + " | " + proposal.because())
                        .toList();
    }

    private static final List<OpenItem> ITEMS = List.of(
            item("SI-7001", "Gullrock Hotels", 1, 10_000),
            item("SI-7002", "Gullrock Hotels", 5, 25_000),
            item("SI-7003", "Gullrock Hotels", 9, 40_000),
            item("SI-7004", "Otter & Vine", 2, 25_000));

    @Test
    void itemsNamedInTheText_comeFirst_howeverTheirNumbersAreWritten() {
        assertThat(said(ITEMS, movement(25_000, "Gullrock Hotels Ltd.", "INV SI 7002"))
                        .get(0))
                .isEqualTo("SI-7002:25000 | named in the bank's text");
        assertThat(said(ITEMS, movement(50_000, "", "si7001 and 7003")).get(0))
                .isEqualTo("SI-7001:10000+SI-7003:40000 | named in the bank's text");
        assertThat(said(ITEMS, movement(30_000, "", "SI-7003")).get(0))
                .isEqualTo("SI-7003:30000 | named in the bank's text, in part");
        assertThat(said(ITEMS, movement(45_000, "", "SI-7003")).get(0))
                .isEqualTo("SI-7003:40000 left 5000 | named in the bank's text, and something is left over");
        assertThat(said(ITEMS, movement(39_750, "", "SI-7003")).get(0))
                .isEqualTo("SI-7003:39750-250 | named in the bank's text, less what looks like a bank charge");
    }

    @Test
    void withoutANumber_justTheAmount_thenSeveralTogether_thenTheOldest() {
        assertThat(said(ITEMS, movement(25_000, "OTTER & VINE", "PAYMENT")))
                .containsExactly(
                        "SI-7004:25000 | just its amount", "SI-7002:25000 | just its amount, but another name");
        assertThat(said(ITEMS, movement(50_000, "Gullrock Hotels", "PAYMENT")))
                .containsExactly(
                        "SI-7001:10000+SI-7003:40000 | together just its amount",
                        "SI-7001:10000+SI-7002:25000+SI-7003:15000 | the counterparty's oldest, in part");
        assertThat(said(ITEMS, movement(12_345, "Gullrock Hotels", "PAYMENT")))
                .containsExactly("SI-7001:10000+SI-7002:2345 | the counterparty's oldest, in part");
        assertThat(said(ITEMS, movement(12_345, "Nobody", "PAYMENT"))).isEmpty();
    }

    @Test
    void agreedDiscount_closesTheItemWhileItHolds() {
        OpenItem bare = item("SI-1", "Tern Street", 20, 10_000);
        OpenItem early = new OpenItem(
                "x",
                Kind.INVOICE,
                "SI-1",
                "Tern Street",
                "s",
                bare.issued(),
                null,
                bare.due(),
                bare.amount(),
                null,
                Handling.NONE,
                new EarlyDiscount(DAY.minusDays(1), new Percent(20_000)));
        assertThat(said(List.of(early), movement(9_800, "Tern Street", "")).get(0))
                .isEqualTo("SI-1:9800-200 | its amount less the discount for paying early");
        assertThat(said(List.of(bare), movement(9_800, "Tern Street", "")).get(0))
                .isEqualTo("SI-1:9800 | the counterparty's oldest, in part");
    }

    /**
     * A ledger enters payments too: what it has as paid, and no movement has settled, is the same payment as the
     * bank's.
     */
    @Test
    void itemThatTheLedgerHasAsPaid_isSettledOnceByItsMovement() {
        OpenItem paid = item("SI-7005", "Gullrock Hotels", -5, 30_000).open(0, DAY.minusDays(1));
        OpenItem part = item("SI-7006", "Otter & Vine", 5, 50_000).open(20_000, null);
        List<OpenItem> items = List.of(paid, part);
        assertThat(said(items, movement(30_000, "Gullrock Hotels", "SI-7005")))
                .containsExactly("SI-7005:30000 | named in the bank's text; the ledger has it as paid");
        assertThat(said(items, movement(30_000, "Otter & Vine", "PAYMENT")))
                .contains("SI-7006:30000 | a part that the ledger has as paid");
        assertThat(new Settling(items, Map.of(paid.id(), 30_000L))
                        .findPlain(movement(30_000, "Gullrock Hotels", "SI-7005")))
                .isEmpty();
        BankMovement late =
                new BankMovement("a", DAY.plusDays(20), null, 30_000, "SI-7005", "Gullrock Hotels", "", List.of());
        assertThat(said(items, late)).as("paid three weeks before").isEmpty();
    }

    @Test
    void anyProposal_tiesToTheMovement_andNeverSettlesMoreThanIsOpen() {
        Random random = new Random(6);
        for (int run = 0; run < 400; run++) {
            List<OpenItem> items = new ArrayList<>();
            for (int i = random.nextInt(30); i > 0; i--) {
                items.add(item(
                        "N" + (100 + i), "P" + random.nextInt(4), random.nextInt(60) - 30, 1 + random.nextInt(500)));
            }
            BankMovement movement = movement(
                    (random.nextBoolean() ? 1 : -1) * (1L + random.nextInt(900)),
                    "P" + random.nextInt(5),
                    "N" + (100 + random.nextInt(40)) + " N" + (100 + random.nextInt(40)));
            List<Settling.Proposal> proposals = new Settling(items, Map.of()).proposals(movement, 6);
            assertThat(proposals).hasSizeLessThanOrEqualTo(6).doesNotHaveDuplicates();
            for (Settling.Proposal proposal : proposals) {
                assertThat(proposal.left()
                                + proposal.parts().stream()
                                        .mapToLong(Settling.Part::minor)
                                        .sum())
                        .as("run %d", run)
                        .isEqualTo(Math.abs(movement.minor()));
                assertThat(proposal.parts())
                        .allMatch(part -> part.minor() > 0
                                && part.minor() + part.less()
                                        <= part.item().amount().open());
                assertThat(proposal.parts().stream().map(Settling.Part::item)).doesNotHaveDuplicates();
            }
        }
    }

    /** 5,000 movements against 100,000 open items. */
    @Test
    void manyMovementsAgainstManyItems_areProposedWithinTenSeconds() {
        Random random = new Random(1);
        List<OpenItem> items = new ArrayList<>();
        for (int i = 0; i < 100_000; i++) {
            items.add(item(
                    "SI-" + (100_000 + i),
                    "Party " + random.nextInt(3_000),
                    random.nextInt(60),
                    1 + random.nextInt(5_000_000)));
        }
        long start = System.nanoTime();
        Settling settling = new Settling(items, Map.of());
        int found = 0;
        for (int i = 0; i < 5_000; i++) {
            OpenItem paid = items.get(random.nextInt(items.size()));
            String text = i % 2 == 0 ? "INV " + paid.number() : "PAYMENT";
            List<Settling.Proposal> proposals =
                    settling.proposals(movement(paid.amount().open(), paid.counterparty(), text), 3);
            found += proposals
                            .get(0)
                            .parts()
                            .equals(List.of(
                                    new Settling.Part(paid, paid.amount().open(), 0)))
                    ? 1
                    : 0;
        }
        assertThat(found).isGreaterThan(4_950);
        assertThat((System.nanoTime() - start) / 1_000_000).as("milliseconds").isLessThan(10_000);
    }
}
