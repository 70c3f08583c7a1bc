package ebbtide.timing;

import ebbtide.books.Books;
import ebbtide.books.DayAmount;
import ebbtide.books.Habits;
import ebbtide.books.OpenItem;
import ebbtide.books.OpenItem.Kind;
import ebbtide.books.OpenItems;
import ebbtide.plan.Assumption;
import ebbtide.plan.Direction;
import ebbtide.plan.Line;
import ebbtide.plan.PaymentRuns;
import ebbtide.plan.Plan;
import ebbtide.plan.Terms;
import ebbtide.time.BusinessDays;
import ebbtide.time.Convention;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;

/** The days on which open items are expected to be paid (rules 4.1 to 4.3, 4.5, 4.6), of plan and items. */
public final class ItemTiming {
  /** An item later than this without a date or a promise is doubtful. */
  public static final int DOUBTFUL_AFTER = 90;
  /** What the ledger has as paid longer ago than these days is not under way any more. */
  public static final int UNDER_WAY_FOR = 10;
  private static final int SOON = 5;
  private final Plan plan;
  private final Books books;
  private final OpenItems items;
  private final LocalDate asOf;
  private final Function<Line, BusinessDays> calendars;
  private final Map<Direction, Habits> habits = new ConcurrentHashMap<>();
  private final Map<String, Integer> said = new HashMap<>();
  private final Map<String, List<ExpectedItem>> byLine = new ConcurrentHashMap<>();

  /** Makes the timing; the calendar of a line is that of its account's country. */
  public ItemTiming(Plan plan, Books books, Function<Line, BusinessDays> calendars) {
    this.plan = plan;
    plan.settings().habits().forEach(habit -> said.put(habit.direction() + habit.counterparty(), habit.days()));
    this.books = books;
    this.items = books.items();
    this.asOf = plan.settings().asOf();
    this.calendars = calendars;
  }

  /** Returns whether open items count on a line: one planned by date, or a stream on books. */
  public static boolean counts(Line line) {
    return line.assumption() instanceof Assumption.Recurring || line.assumption() instanceof Assumption.DatedItems
        || line.assumption() instanceof Assumption.Stream stream && stream.basis() == ebbtide.plan.Basis.BOOKS;
  }

  /** Returns the items of a line that count, open ones and paid ones; none of a line for which none are kept. */
  List<OpenItem> known(Line line) {
    return counts(line) && plan.isActive(line) ? items.of(line.id()) : List.of();
  }

  /** Returns what was booked on a line after the as-of date and settles items, signed. */
  long settledAfter(Line line) {
    return books.settling().getOrDefault(line.id(), List.of()).stream().filter(part -> part.day().isAfter(asOf)).mapToLong(DayAmount::minor).sum();
  }

  /** Returns how the counterparties of a direction pay, of all items paid up to the as-of date. */
  public Habits habits(Direction direction) {
    return habits.computeIfAbsent(direction, one -> items.habits(plan.lines().stream().filter(line -> line.direction() == one).map(Line::id)
        .collect(Collectors.toSet()), asOf));
  }

  /** Returns a line's open items with the days they are expected, by day, those left out last. */
  public List<ExpectedItem> of(Line line) {
    return byLine.computeIfAbsent(line.id(), id -> {
      List<ExpectedItem> found = new ArrayList<>();
      known(line).stream().filter(item -> item.amount().open() > 0).forEach(item -> found.add(expected(line, item)));
      found.addAll(underWay(line));
      found.sort(Comparator.comparing(ExpectedItem::day, Comparator.nullsLast(Comparator.naturalOrder()))
          .thenComparing(one -> one.item().due()).thenComparing(one -> one.item().id()));
      return useCredits(found);
    });
  }

  /**
   * What the ledger has as paid of late and no movement has settled is under way: committed on the first business day after the as-of date
   * (rules 1.1). Cash of late that settles nothing may be its payment and is taken off, the latest paid first; a line on which nothing was
   * settled of late has nothing under way, for its cash is not told from its items.
   */
  private List<ExpectedItem> underWay(Line line) {
    LocalDate from = asOf.minusDays(2L * UNDER_WAY_FOR);
    long settled = of(books.settling(), line, from);
    if (settled == 0) {
      return List.of();
    }
    long other = Math.max(0, (of(books.byLine(), line, from) - settled) * line.direction().sign());
    List<ExpectedItem> found = new ArrayList<>();
    List<OpenItem> paid = known(line).stream().filter(item -> item.paidOn() != null && item.paidOn().isAfter(asOf.minusDays(UNDER_WAY_FOR))
        && !item.paidOn().isAfter(asOf) && (item.kind() == Kind.INVOICE || item.kind() == Kind.COMMITMENT))
        .sorted(Comparator.comparing(OpenItem::paidOn).reversed().thenComparing(OpenItem::id)).toList();
    for (OpenItem item : paid) {
      long left = item.entered(items.settled().getOrDefault(item.id(), 0L));
      boolean early = item.discount() != null && !item.paidOn().isAfter(item.discount().until());
      long off = early ? Math.min(left, item.discount().share().of(item.amount().gross())) : 0;
      long used = Math.min(other, left - off);
      other -= used;
      if (left - off > used) {
        found.add(new ExpectedItem(item, calendars.apply(line).next(asOf), left - off - used, off, "paid on " + item.paidOn()
            + " by the ledger, not at the bank yet", ExpectedItem.Source.UNDER_WAY));
      }
    }
    return found;
  }

  private long of(Map<String, List<DayAmount>> amounts, Line line, LocalDate after) {
    return amounts.getOrDefault(line.id(), List.of()).stream().filter(part -> part.day().isAfter(after) && !part.day().isAfter(asOf))
        .mapToLong(DayAmount::minor).sum();
  }

  private ExpectedItem expected(Line line, OpenItem item) {
    if (!item.isExpected()) {
      String note = item.handling().note().isEmpty() ? "" : ": " + item.handling().note();
      return new ExpectedItem(item, null, 0, 0, (item.handling().standing() == OpenItem.Standing.HELD ? "held" : "disputed") + note,
          ExpectedItem.Source.HELD);
    }
    if (item.kind() == Kind.CREDIT_NOTE) {
      return new ExpectedItem(item, null, 0, 0, "used against the next item of " + item.counterparty(), ExpectedItem.Source.CREDIT);
    }
    LocalDate said = item.handling().expected();
    if (said != null && said.isAfter(asOf)) {
      return on(line, item, said, "expected on the day typed", ExpectedItem.Source.ANALYST);
    }
    LocalDate promised = item.handling().promised();
    String broken = said != null || promised != null && !promised.isAfter(asOf) ? "; the day said before has passed" : "";
    if (promised != null && promised.isAfter(asOf)) {
      return on(line, item, promised, "promised", ExpectedItem.Source.PROMISE);
    }
    return plan.settings().paymentRuns() != null && line.direction() == Direction.PAYMENT ? inRun(line, item, broken) : byHabit(line, item, broken);
  }

  /** Bills are paid in runs, whatever the habit was; one that is very late waits for a word all the same. */
  private ExpectedItem inRun(Line line, OpenItem item, String broken) {
    long late = asOf.toEpochDay() - item.due().toEpochDay();
    if (late > DOUBTFUL_AFTER) {
      return doubtful(item, late, broken);
    }
    PaymentRuns runs = plan.settings().paymentRuns();
    return on(line, item, runs.runFor(item.due(), asOf, calendars.apply(line)), "due " + item.due() + ", " + runs.words() + broken,
        ExpectedItem.Source.RUN);
  }

  private static ExpectedItem doubtful(OpenItem item, long late, String broken) {
    return new ExpectedItem(item, null, 0, 0, late + " days late without a date or a promise" + broken, ExpectedItem.Source.DOUBTFUL);
  }

  private ExpectedItem byHabit(Line line, OpenItem item, String broken) {
    long late = asOf.toEpochDay() - item.due().toEpochDay();
    if (late > DOUBTFUL_AFTER) {
      return doubtful(item, late, broken);
    }
    Integer said = said(line.direction(), item.counterparty());
    if (said != null && said > late) {
      return on(line, item, item.due().plusDays(said), "due " + item.due() + ", " + usual(said) + " as an analyst says" + broken, ExpectedItem.Source.HABIT);
    }
    Habits.Estimate habit = habits(line.direction()).estimate(item.counterparty(), line.id(), late);
    if (habit.days() == null) {
      LocalDate soon = asOf;
      for (int i = 0; i < SOON; i++) {
        soon = calendars.apply(line).next(soon);
      }
      LocalDate half = asOf.plusDays((late + 1) / 2);
      return on(line, item, half.isAfter(soon) ? half : soon, "due " + item.due() + ", later than any habit known" + broken, ExpectedItem.Source.HABIT);
    }
    if (habit.allItems() == 0) {
      return on(line, item, item.due(), "due " + item.due() + broken, ExpectedItem.Source.TERMS);
    }
    return on(line, item, item.due().plusDays(habit.days()), "due " + item.due() + ", usually " + usual(habit.days()) + " (" + habit.ownItems()
        + " paid before)" + broken, ExpectedItem.Source.HABIT);
  }

  /** What an analyst says of how a counterparty pays, null if nothing. */
  private Integer said(Direction direction, String counterparty) {
    return said.isEmpty() ? null : said.get(direction + counterparty);
  }

  private static String usual(int days) {
    return days == 0 ? "paid when due" : Math.abs(days) + " days " + (days > 0 ? "late" : "early");
  }

  /** The line's convention, and never on or before the as-of date; net of a discount that still holds on that day. */
  private ExpectedItem on(Line line, OpenItem item, LocalDate base, String because, ExpectedItem.Source source) {
    BusinessDays calendar = calendars.apply(line);
    LocalDate day = convention(line).adjust(base, calendar);
    day = day.isAfter(asOf) ? day : calendar.next(asOf);
    long open = item.amount().open();
    boolean early = item.discount() != null && !day.isAfter(item.discount().until());
    long off = early ? item.discount().share().of(open) : 0;
    return new ExpectedItem(item, day, open - off, off, because + (early ? ", less " + item.discount().share() + " for paying by "
        + item.discount().until() : ""), source);
  }

  private static Convention convention(Line line) {
    if (line.assumption() instanceof Assumption.Recurring recurring) {
      return recurring.convention();
    }
    if (line.assumption() instanceof Assumption.DatedItems dated) {
      return dated.convention();
    }
    if (line.assumption() instanceof Assumption.Stream stream && stream.terms().by() == Terms.By.DAYS) {
      return stream.terms().days().convention();
    }
    return line.direction() == Direction.RECEIPT ? Convention.FOLLOWING : Convention.PRECEDING;
  }

  /** A credit note is used against the counterparty's next items; what they do not take is not forecast, and stays listed. */
  private static List<ExpectedItem> useCredits(List<ExpectedItem> found) {
    Map<String, Long> credits = new HashMap<>();
    found.stream().filter(one -> one.source() == ExpectedItem.Source.CREDIT)
        .forEach(one -> credits.merge(one.item().counterparty(), one.item().amount().open(), Long::sum));
    if (credits.isEmpty()) {
      return List.copyOf(found);
    }
    List<ExpectedItem> left = new ArrayList<>();
    for (ExpectedItem one : found) {
      long used = one.isLeftOut() ? 0 : Math.min(one.minor(), credits.getOrDefault(one.item().counterparty(), 0L));
      credits.computeIfPresent(one.item().counterparty(), (name, credit) -> credit - used);
      left.add(used == 0 ? one : one.paying(one.minor() - used, ", less a credit note"));
    }
    return List.copyOf(left);
  }
}
