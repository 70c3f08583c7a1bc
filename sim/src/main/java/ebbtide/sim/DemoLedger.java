package ebbtide.sim;

import ebbtide.activity.ActivityCalculator;
import ebbtide.money.Money;
import ebbtide.money.Split;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.time.BusinessDays;
import ebbtide.time.Timeline;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/**
 * The demo company's ledger: lists of the invoices and bills of a line as of the as-of date, paid and open, with the orders that are
 * placed. Each counterparty has a habit of its own, some pay as it comes, and a few things are surprises.
 */
final class DemoLedger {
  private static final Currency POUND = Money.currency("GBP");
  private static final BusinessDays UK = BusinessDays.ofCountry("GB");
  private static final Map<String, Integer> USUALLY_LATE = Map.of("Gullrock Hotels", 11, "Otter & Vine", -2, "The Limpet Room", 4,
      "Pellmoor Inns", 19, "Tern Street Kitchens", 1, "Fennick Stores", 6, "Marlowe & Daughters Grocers", 0, "Quillby Markets", 14,
      "Penhallow Hatchery", 2, "Ropewalk Marine Gear", 5);
  private final Plan plan;
  private final Random random = new Random(20260302);
  private int number = 7000;

  private DemoLedger(Plan plan) {
    this.plan = plan;
  }

  /** An entry of the ledger. */
  private record Entry(String type, int number, String party, LocalDate issued, LocalDate due, long gross, long tax, long open, LocalDate paid) {}

  /** Returns the text of each list by its name. */
  static Map<String, String> texts() {
    DemoLedger ledger = new DemoLedger(DemoPlan.plan());
    Map<String, String> texts = new TreeMap<>();
    for (String line : List.of("restaurants", "grocery", "seed")) {
      texts.put("ledger/" + line + "-" + DemoPlan.AS_OF + ".csv", ledger.list(line));
    }
    return texts;
  }

  private String list(String lineId) {
    Line line = plan.findLine(lineId).orElseThrow();
    boolean sales = line.direction().sign() > 0;
    List<Entry> entries = new ArrayList<>();
    YearMonth last = YearMonth.from(DemoPlan.AS_OF).minusMonths(1);
    for (YearMonth month = YearMonth.from(DemoBank.FIRST_DAY); !month.isAfter(last); month = month.plusMonths(1)) {
      entries.addAll(month(line, month));
    }
    LocalDate placed = DemoPlan.AS_OF.minusDays(4);
    entries.add(new Entry("Order", ++number, DemoBank.parties(lineId).get(0), placed, placed.plusDays(60), 412_500, 0, 412_500, null));
    StringBuilder text = new StringBuilder(sales ? "Invoice No,Customer" : "Bill number,Supplier")
        .append(",Type,Invoice date,Due date,Gross amount,VAT,Outstanding,Paid on\n");
    entries.stream().sorted(Comparator.comparing(Entry::issued).thenComparing(Entry::number)).forEach(one -> text.append(String.join(",",
        (sales ? "SI-" : "PB-") + one.number(), one.party(), one.type(), one.issued().toString(), one.due().toString(), Money.plain(one.gross(), POUND),
        Money.plain(one.tax(), POUND), Money.plain(one.open(), POUND), one.paid() == null ? "" : one.paid().toString())).append('\n'));
    return text.toString();
  }

  /** A month's amount in some invoices, each due after thirty days and paid as its counterparty usually does. */
  private List<Entry> month(Line line, YearMonth month) {
    List<String> parties = DemoBank.parties(line.id());
    long amount = new ActivityCalculator(plan).of(line).in(Timeline.monthNumber(month));
    long gross = line.assumption().tax().grossOf(amount);
    List<Entry> entries = new ArrayList<>();
    if (gross == 0) {
      return entries;
    }
    for (long part : Split.byWeights(gross, random.longs(parties.size() + random.nextInt(parties.size() * 2), 40, 160).toArray())) {
      String party = parties.get(random.nextInt(parties.size()));
      LocalDate issued = UK.nextOrSame(month.atDay(1 + random.nextInt(24)));
      LocalDate due = issued.plusDays(30);
      long late = USUALLY_LATE.getOrDefault(party, 3) + Math.round(random.nextGaussian() * 3) + (random.nextInt(25) == 0 ? 35 : 0);
      LocalDate paid = UK.nextOrSame(due.plusDays(late));
      boolean open = paid.isAfter(DemoPlan.AS_OF);
      entries.add(new Entry("Invoice", ++number, party, issued, due, part, line.assumption().tax().taxOf(line.assumption().tax().amountsAreGross()
          ? part : part - line.assumption().tax().rate().withinGross(part)), open ? part : 0, open ? null : paid));
    }
    return entries;
  }
}
