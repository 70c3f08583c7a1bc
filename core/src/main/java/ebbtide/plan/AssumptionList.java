package ebbtide.plan;

import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.ActivityMethod.BaseWithGrowth;
import ebbtide.plan.ActivityMethod.DatedAmounts;
import ebbtide.plan.ActivityMethod.FixedAmount;
import ebbtide.plan.ActivityMethod.Product;
import ebbtide.plan.ActivityMethod.RecurringCustomers;
import ebbtide.plan.ActivityMethod.ShareOfLine;
import ebbtide.plan.ActivityMethod.TypedMonths;
import ebbtide.plan.ActivityMethod.YearTotal;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SortedMap;
import java.util.function.Function;

/** The assumptions of a plan one by one, to be looked through: each named, with its value, its unit and its date. */
public final class AssumptionList {
  private static final String SETTINGS = "Settings";
  private final Plan plan;
  private final String unit;
  private final List<Entry> entries = new ArrayList<>();
  private String lineId;
  private String lineName = SETTINGS;

  /**
   * One assumption: the id of its line (null for the plan's settings) and the line's name, what it is, its value in words,
   * the unit ("GBP", "%", "days"; empty for words), the day from which it holds or on which it lies (null for always), and
   * its note.
   */
  public record Entry(String lineId, String line, String name, String value, String unit, LocalDate from, String note) {}

  private AssumptionList(Plan plan) {
    this.plan = plan;
    this.unit = plan.settings().currency().getCurrencyCode();
  }

  /** Returns every assumption in force: the settings first, then line by line in the order of the plan. */
  public static List<Entry> of(Plan plan) {
    AssumptionList list = new AssumptionList(plan);
    list.addSettings(plan.settings());
    plan.lines().stream().filter(line -> !line.isGroup()).forEach(list::addLine);
    return List.copyOf(list.entries);
  }

  private void addSettings(Settings settings) {
    add("as-of date", settings.asOf().toString(), "", null, "");
    add("months ahead", Integer.toString(settings.horizonMonths()), "months", null, "");
    addAmounts("minimum cash", settings.minimumCash());
    if (settings.facility() != null) {
      addAmounts("limit of " + settings.facility().name(), settings.facility().limit());
    }
  }

  private void addLine(Line line) {
    lineId = line.id();
    lineName = line.name();
    if (line.assumption() instanceof Assumption.Stream stream) {
      addMethod(stream.method());
      stream.overrides().forEach((month, override) ->
          add("override of a month", amount(override.amount()), unit, month.atDay(1), override.reason()));
      addUnlessZero("sales tax", stream.tax().rate());
      addTerms(stream.terms());
      add("spread in the month", stream.spread().words(), "", null, "");
    } else if (line.assumption() instanceof Assumption.Recurring recurring) {
      add("dates", recurring.when().words(), "", recurring.when().first(), "");
      addAmounts("amount each time", recurring.amount());
      addUnlessZero("more each year", recurring.yearlyUplift());
      add("paid after", Integer.toString(recurring.termsDays()), "days", null, "");
      add("certainty", word(recurring.certainty()), "", null, "");
    } else if (line.assumption() instanceof Assumption.DatedItems items) {
      items.items().forEach(item -> add("item, " + word(item.certainty()), amount(item.amount()), unit, item.date(), item.note()));
    }
    line.overrides().forEach(override -> add("override of cash up to " + override.period().lastDay(),
        amount(override.amount()), unit, override.period().startInclusive(), override.reason()));
  }

  private void addMethod(ActivityMethod method) {
    if (method instanceof FixedAmount fixed) {
      addAmounts("amount a month", fixed.amount());
    } else if (method instanceof BaseWithGrowth growing) {
      addAmounts("base a month", growing.base());
      addGrowth("growth a month", growing.growth(), growing.growthOf());
    } else if (method instanceof TypedMonths typed) {
      typed.amounts().forEach((month, minor) -> add("typed amount", amount(minor), unit, month.atDay(1), ""));
    } else if (method instanceof Product product) {
      for (int i = 0; i < product.factors().size(); i++) {
        addDriver(product.of().factors().get(i), product.factors().get(i), "");
      }
    } else if (method instanceof RecurringCustomers customers) {
      add("customers at the start", number(customers.opening()), "", customers.from().atDay(1), "");
      addDriver("customers gained", customers.gained(), "");
      addDriver("customers lost", customers.lost(), customers.lostAs() == ActivityMethod.LostAs.PERCENT ? "%" : "");
      addDriver("fee", customers.fee(), unit);
    } else if (method instanceof YearTotal year) {
      year.totals().forEach((began, total) -> add("total of the year", amount(total), unit,
          LocalDate.of(began, plan.settings().firstFiscalMonth(), 1), ""));
      addUnlessZero("more each later year", year.yearlyGrowth());
    } else if (method instanceof DatedAmounts dated) {
      dated.amounts().forEach(one -> add("amount", amount(one.amount()), unit, one.date(), one.note()));
    } else if (method instanceof ShareOfLine share) {
      add("share of " + plan.findLine(share.lineId()).map(Line::name).orElse(share.lineId()), share.share().number(), "%", null, "");
    }
  }

  private void addDriver(String name, Driver driver, String of) {
    addSteps(name, driver.value(), AssumptionList::number, of);
    addGrowth("growth a month of " + name, driver.growth(), driver.growthOf());
  }

  private void addGrowth(String name, Percent growth, SortedMap<YearMonth, Percent> growthOf) {
    addUnlessZero(name, growth);
    growthOf.forEach((month, own) -> add(name, own.number(), "%", month.atDay(1), "that month alone"));
  }

  private void addTerms(Terms terms) {
    if (terms.by() == Terms.By.DAYS) {
      add("terms", terms.days().words(), "", null, "");
      return;
    }
    terms.pattern().steps().forEach(step -> {
      add("share paid " + step.delayWords(), step.share().number(), "%", null, "");
      addUnlessZero("discount on what is paid " + step.delayWords(), step.discount());
    });
    addUnlessZero("share never paid", terms.pattern().never());
  }

  private void addAmounts(String name, Steps<Long> steps) {
    addSteps(name, steps, this::amount, unit);
  }

  private <T> void addSteps(String name, Steps<T> steps, Function<T, String> value, String of) {
    steps.steps().forEach(step -> add(name, value.apply(step.value()), of, step.from(), ""));
  }

  private void addUnlessZero(String name, Percent percent) {
    if (percent.millionths() != 0) {
      add(name, percent.number(), "%", null, "");
    }
  }

  private void add(String name, String value, String of, LocalDate from, String note) {
    entries.add(new Entry(lineId, lineName, name, value, of, from, note));
  }

  private String amount(long minor) {
    return Money.words(minor, plan.settings().currency());
  }

  private static String number(BigDecimal value) {
    return String.format(Locale.ROOT, "%,." + value.scale() + "f", value);
  }

  private static String word(Certainty certainty) {
    return certainty.name().toLowerCase(Locale.ROOT);
  }
}
