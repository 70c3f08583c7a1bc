package ebbtide.formats.items;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Kind;
import ebbtide.formats.budget.Sheet;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.items.ItemColumns.Field;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod;
import ebbtide.plan.Assumption;
import ebbtide.plan.Basis;
import ebbtide.plan.DayTerms;
import ebbtide.plan.Direction;
import ebbtide.plan.Handling;
import ebbtide.plan.Line;
import ebbtide.plan.SalesTax;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Spread;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Lists of a ledger as they are exported: columns by their headings, amounts and dates as they come, changes before
 * they are taken over.
 */
class ItemListTest {
    private static final ItemList.Reading READING = new ItemList.Reading(
            new Line(
                    "s",
                    null,
                    "Sales",
                    Direction.RECEIPT,
                    true,
                    null,
                    "",
                    new Assumption.Stream(
                            new ActivityMethod.TypedMonths(new TreeMap<>()),
                            List.of(),
                            new TreeMap<>(),
                            new TreeMap<>(),
                            SalesTax.of(new Percent(200_000), false),
                            Terms.byDays(new DayTerms(DayTerms.Due.AFTER_ISSUE, 30, 0, Convention.FOLLOWING)),
                            null,
                            new Spread.Even(),
                            Basis.BOOKS),
                    List.of()),
            Money.currency("GBP"));

    private static ItemList read(String text) {
        Sheet sheet = SheetReader.read(text.getBytes(StandardCharsets.UTF_8)).get(0);
        int heading = ItemList.heading(sheet);
        return ItemList.read(sheet, heading, ItemColumns.proposed(sheet.rows().get(heading)), READING);
    }

    @Test
    void list_underATitle_isReadByItsHeadings() {
        ItemList list = read("""
        Open items;;;;;;
        as of 1 March;;;;;;
        Invoice No;Customer;Invoice date;Due date;Gross amount;Outstanding;Discount date;Discount %
        SI-1;Gullrock Hotels;02/02/2026;04/03/2026;1.200,00;1.000,50;12/02/2026;2
        SI-2;Otter & Vine;13/02/2026;;-60,00;-60,00;;
        """);
        assertThat(list.problems()).isEmpty();
        OpenItem first = list.items().get(0);
        assertThat(first.amount())
                .as("gross alone is parted by the line's 20%")
                .isEqualTo(new OpenItem.Amount(120_000, 20_000, true, 100_050, 100_050L));
        assertThat(first.issued()).isEqualTo(LocalDate.of(2026, 2, 2));
        assertThat(first.due()).isEqualTo(LocalDate.of(2026, 3, 4));
        assertThat(first.discount())
                .isEqualTo(new OpenItem.EarlyDiscount(LocalDate.of(2026, 2, 12), new Percent(20_000)));
        OpenItem credit = list.items().get(1);
        assertThat(credit.kind()).isEqualTo(Kind.CREDIT_NOTE);
        assertThat(credit.due()).as("without a due date, when it was issued").isEqualTo(credit.issued());
    }

    @Test
    void netAndTax_giveTheGross_andKindsAreTakenAtTheirWord() {
        ItemList list = read("""
        Number,Supplier,Type,Date,Due,Net,VAT,Paid on
        PB-1,Quayside Fuels,Bill,2026-02-02,2026-03-04,100.00,20.00,2026-03-01
        PO-2,Quayside Fuels,Purchase order,2026-02-02,2026-03-04,100.00,,
        D-3,Harbour Office,Deposit,2026-02-02,2026-03-04,100.00,0.00,
        CN-4,Quayside Fuels,Credit note,2026-02-02,2026-03-04,10.00,2.00,
        """);
        assertThat(list.items())
                .extracting(OpenItem::kind)
                .containsExactly(Kind.INVOICE, Kind.ORDER, Kind.COMMITMENT, Kind.CREDIT_NOTE);
        assertThat(list.items())
                .extracting(item -> item.amount().gross())
                .containsExactly(12_000L, 12_000L, 10_000L, 1_200L);
        assertThat(list.items()).extracting(item -> item.amount().open()).containsExactly(0L, 12_000L, 10_000L, 1_200L);
        assertThat(list.items().get(0).paidOn()).isEqualTo(LocalDate.of(2026, 3, 1));
    }

    /**
     * Without a due day an invoice's terms count from its issue, an order's from its delivery; a deposit belongs to the
     * month that is delivered.
     */
    @Test
    void withoutADueDay_theTermsOfTheLineSayWhenItIsDue() {
        List<OpenItem> items = read("""
        Number,Customer,Type,Date,Delivery,Amount
        1,A,Invoice,2026-02-02,,100.00
        2,A,Sales order,2026-02-02,2026-03-10,100.00
        3,A,Deposit,2026-02-02,2026-03-10,30.00
        """).items();
        assertThat(items)
                .extracting(OpenItem::due)
                .containsExactly(LocalDate.of(2026, 3, 4), LocalDate.of(2026, 4, 9), LocalDate.of(2026, 3, 4));
        assertThat(items.get(2).supplied()).isEqualTo(LocalDate.of(2026, 3, 10));
    }

    @Test
    void badRows_areNamedWithLineAndReason() {
        ItemList list = read("""
        Number,Customer,Date,Due,Amount,Net,Tax,Open
        1,A,2026-02-30,2026-03-04,1.00,,,
        2,A,2026-02-02,soon,1.00,,,
        3,A,2026-02-02,2026-03-04,many,,,
        4,A,2026-02-02,2026-03-04,,,,
        5,A,2026-02-02,2026-03-04,10.00,9.00,2.00,
        6,A,2026-02-02,2026-03-04,10.00,,,11.00
        7,A,2026-02-02,2026-03-04,10.00,,,
        7,A,2026-02-02,2026-03-04,10.00,,,
        ,A,2026-02-02,2026-03-04,10.00,,,
        ,,,,,,,
        """);
        assertThat(list.items()).hasSize(1);
        assertThat(list.problems())
                .extracting(problem -> problem.line() + " " + problem.reason())
                .containsExactly(
                        "2 '2026-02-30' is no date",
                        "3 'soon' is no date",
                        "4 'many' is no amount",
                        "5 no amount stands in the row",
                        "6 net and tax do not come to the amount",
                        "7 what is open of an item lies between nil and its amount",
                        "9 number 7 of A stands in the list twice",
                        "10 number of an item must not be empty: type at least a letter");
    }

    @Test
    void listWithoutWhatAnItemNeeds_saysWhichColumnsToChoose() {
        assertThatThrownBy(() -> read("Customer,Town\nA,Pellmoor\n"))
                .hasMessage("Say which column holds the number, the date of issue, the amount");
        Sheet sheet = SheetReader.read("Nr,Kunde,Tag,Summe\n1,A,2026-01-01,5\n".getBytes(StandardCharsets.UTF_8))
                .get(0);
        ItemColumns chosen = new ItemColumns(
                Map.of(Field.NUMBER, "Nr", Field.COUNTERPARTY, "Kunde", Field.ISSUED, "Tag", Field.AMOUNT, "Summe"));
        assertThat(ItemList.read(sheet, 0, chosen, READING).items()).hasSize(1);
        assertThat(chosen.fits(sheet.rows().get(0))).isTrue();
        assertThat(chosen.fits(List.of("Nr", "Kunde"))).isFalse();
        Sheet other = SheetReader.read("Nr,Kunde,Datum,Summe\n1,A,2026-01-01,5\n".getBytes(StandardCharsets.UTF_8))
                .get(0);
        assertThatThrownBy(() -> ItemList.read(other, 0, chosen, READING))
                .hasMessage("The list has no column 'Tag': choose another");
    }

    /**
     * The same list again changes nothing; one that was edited changes just what was; what a person said of an item
     * stays.
     */
    @Test
    void changes_ofAnyListAgainstAnyOther_areWhatDiffers() {
        Random random = new Random(7);
        for (int run = 0; run < 200; run++) {
            List<OpenItem> there = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                there.add(item(i, random));
            }
            assertThat(ItemChanges.of(there, there, Set.of("s"), Map.of()))
                    .isEqualTo(new ItemChanges(List.of(), List.of(), 12, 0, List.of()));
            List<OpenItem> listed = new ArrayList<>(there);
            OpenItem gone = listed.remove(random.nextInt(12));
            OpenItem was = listed.get(0);
            OpenItem.Amount half = listed(was.amount().gross(), was.amount().open() / 2);
            listed.set(
                    0,
                    new OpenItem(
                            was.id(),
                            was.kind(),
                            was.number(),
                            was.counterparty(),
                            "s",
                            was.issued(),
                            null,
                            was.due(),
                            half,
                            null,
                            Handling.NONE,
                            null));
            listed.add(item(99, random));
            Collections.shuffle(listed, random);
            ItemChanges changes = ItemChanges.of(there, listed, Set.of("s"), Map.of());
            assertThat(changes.added()).extracting(OpenItem::number).containsExactly("99");
            assertThat(changes.changed()).as("run %d", run).hasSize(half.equals(was.amount()) ? 0 : 1);
            changes.changed().forEach(one -> {
                assertThat(one.becomes().handling()).isEqualTo(was.handling());
                assertThat(one.becomes().amount().open()).isEqualTo(was.amount().open() / 2);
            });
            assertThat(changes.vanished())
                    .extracting(OpenItem::id)
                    .isEqualTo(gone.amount().open() > 0 ? List.of(gone.id()) : List.of());
        }
    }

    /**
     * An item that was typed by hand before the ledger listed it is the same item: it keeps its own id and is not
     * counted twice.
     */
    @Test
    void itemTypedByHand_isKnownAgainInTheList() {
        OpenItem listed = read("Number,Customer,Date,Amount\nD-1,Harbour Feast,2026-02-27,1200.00\n")
                .items()
                .get(0);
        OpenItem typed = new OpenItem(
                "typed",
                Kind.INVOICE,
                "d-1",
                "HARBOUR FEAST",
                "s",
                listed.issued(),
                null,
                listed.due(),
                listed.amount(),
                null,
                Handling.NONE,
                null);
        ItemChanges changes = ItemChanges.of(List.of(typed), List.of(listed), Set.of("s"), Map.of());
        assertThat(changes.added()).isEmpty();
        assertThat(changes.vanished()).isEmpty();
        assertThat(changes.changed())
                .singleElement()
                .satisfies(one -> assertThat(one.becomes().id()).isEqualTo("typed"));
    }

    /**
     * What the bank has settled stays settled when a list written before comes in; a list that knows more than the bank
     * counts.
     */
    @ParameterizedTest
    @CsvSource({"1200.00, 1", "700.00, 1", "0.00, 0"})
    void listWrittenBeforeTheBankWasRead_opensNothingAgain(String listedOpen, int ahead) {
        OpenItem listed = read("Number,Customer,Date,Amount,Open\nD-1,Harbour Feast,2026-02-27,1200.00," + listedOpen
                        + "\n")
                .items()
                .get(0);
        LocalDate paid = LocalDate.of(2026, 3, 6);
        OpenItem settled = listed.open(0, paid);
        ItemChanges changes =
                ItemChanges.of(List.of(settled), List.of(listed), Set.of("s"), Map.of(settled.id(), 120_000L));
        assertThat(changes).isEqualTo(new ItemChanges(List.of(), List.of(), 1, ahead, List.of()));
        ItemChanges half = ItemChanges.of(
                List.of(listed.open(60_000, null)), List.of(listed), Set.of("s"), Map.of(settled.id(), 60_000L));
        assertThat(half.changed().stream()
                        .map(one -> one.becomes().amount().open())
                        .toList())
                .isEqualTo(
                        listed.amount().open() < 60_000
                                ? List.of(listed.amount().open())
                                : List.of());
    }

    private static OpenItem.Amount listed(long gross, long open) {
        return new OpenItem.Amount(gross, 0, false, open, open);
    }

    private static OpenItem item(int i, Random random) {
        LocalDate issued = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(60));
        long gross = random.nextInt(5) * 100L + 100;
        return new OpenItem(
                ItemList.id(Kind.INVOICE, "" + i, "A"),
                Kind.INVOICE,
                "" + i,
                "A",
                "s",
                issued,
                null,
                issued.plusDays(30),
                listed(gross, random.nextInt(3) == 0 ? 0 : gross),
                null,
                new Handling(
                        random.nextBoolean() ? issued.plusDays(50) : null, null, Handling.Standing.NORMAL, "asked"),
                null);
    }
}
