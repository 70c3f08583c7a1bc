package ebbtide.answers;

import ebbtide.books.Books;
import ebbtide.forecast.Forecast;
import ebbtide.forecast.Forecaster;
import ebbtide.plan.ActivityMethod.DatedAmount;
import ebbtide.plan.CapitalSpending.Asset;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Line;
import ebbtide.plan.Plan;
import ebbtide.plan.TermLoan;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * Something of the funding that the analyst may move to another day: what a loan lends, a repayment beside its pay days, or a payment for an
 * asset. Signed minor units; the id tells it apart from all others of its plan.
 */
public record MovablePayment(String id, String lineId, String name, LocalDate day, long minor) {

  /** Returns what of a plan's active lines may be moved and lies after the as-of date, in order of day. */
  public static List<MovablePayment> of(Plan plan) {
    List<MovablePayment> found = new ArrayList<>();
    for (Line line : plan.lines()) {
      if (!plan.isActive(line)) {
        continue;
      }
      if (line.assumption() instanceof TermLoan loan) {
        if (!loan.running()) {
          found.add(new MovablePayment(line.id() + " drawn", line.id(), line.name() + " drawn", loan.from().on(), loan.from().amount()));
        }
        List<DatedAmount> apart = apart(loan);
        for (int i = 0; i < apart.size(); i++) {
          found.add(new MovablePayment(line.id() + " repaid " + i, line.id(), line.name() + " repaid", apart.get(i).date(), -apart.get(i).amount()));
        }
      } else if (line.assumption() instanceof CapitalSpending spending) {
        for (int i = 0; i < spending.assets().size(); i++) {
          ofAsset(line, spending.assets().get(i), i, found);
        }
      }
    }
    found.removeIf(one -> !one.day().isAfter(plan.settings().asOf()) || one.day().isAfter(plan.settings().horizonEnd()));
    found.sort(java.util.Comparator.comparing(MovablePayment::day).thenComparing(MovablePayment::id));
    return List.copyOf(found);
  }

  private static void ofAsset(Line line, Asset asset, int at, List<MovablePayment> found) {
    for (int i = 0; i < asset.milestones().size(); i++) {
      DatedAmount one = asset.milestones().get(i);
      found.add(new MovablePayment(line.id() + " asset " + at + " " + i, line.id(), asset.name() + (one.note().isEmpty() ? "" : ", " + one.note()), one.date(),
          -asset.tax().grossOf(one.amount())));
    }
  }

  private static List<DatedAmount> apart(TermLoan loan) {
    return loan.by() == TermLoan.By.TYPED ? loan.typed() : loan.early();
  }

  /** Returns the line of something movable with its day changed, which lies after the as-of date and within the horizon. */
  public static Line moved(Plan plan, String id, LocalDate to) {
    MovablePayment one = of(plan).stream().filter(some -> some.id().equals(id)).findFirst()
        .orElseThrow(() -> new IllegalArgumentException("What was to be moved is no longer there: look at the funding again"));
    if (!to.isAfter(plan.settings().asOf()) || to.isAfter(plan.settings().horizonEnd())) {
      throw new IllegalArgumentException(one.name() + " moves to a day after " + plan.settings().asOf() + " and up to " + plan.settings().horizonEnd() + ", but was put to " + to);
    }
    Line line = plan.findLine(one.lineId()).orElseThrow();
    String[] place = id.substring(one.lineId().length() + 1).split(" ");
    if (line.assumption() instanceof TermLoan loan) {
      return line.with(place[0].equals("drawn") ? drawn(loan, to) : repaid(loan, Integer.parseInt(place[1]), to));
    }
    CapitalSpending spending = (CapitalSpending) line.assumption();
    List<Asset> assets = new ArrayList<>(spending.assets());
    Asset asset = assets.get(Integer.parseInt(place[1]));
    assets.set(Integer.parseInt(place[1]), new Asset(asset.name(), asset.tax(), with(asset.milestones(), Integer.parseInt(place[2]), to), asset.termsDays(), asset.service(),
        asset.lifeMonths(), asset.residual(), asset.owned(), asset.disposal()));
    return line.with(new CapitalSpending(assets, spending.convention()));
  }

  private static List<DatedAmount> with(List<DatedAmount> amounts, int at, LocalDate to) {
    List<DatedAmount> changed = new ArrayList<>(amounts);
    changed.set(at, new DatedAmount(to, amounts.get(at).amount(), amounts.get(at).note()));
    return changed;
  }

  /** Its pay days stay, unless it is drawn on the first of them or later: then they begin so many whole months later. */
  private static TermLoan drawn(TermLoan loan, LocalDate to) {
    LocalDate first = loan.firstPayDay();
    for (int months = 1; !first.isAfter(to); months++) {
      first = loan.firstPayDay().plusMonths(months);
    }
    return new TermLoan(loan.by(), new TermLoan.Balance(to, loan.from().amount(), loan.from().accrued()), false, loan.rate(), first, loan.payments(), loan.everyMonths(),
        loan.interestOnly(), loan.dayCount(), loan.convention(), loan.typed(), loan.early(), loan.keepsEnd(), loan.fee());
  }

  private static TermLoan repaid(TermLoan loan, int at, LocalDate to) {
    List<DatedAmount> changed = with(apart(loan), at, to);
    boolean typed = loan.by() == TermLoan.By.TYPED;
    return new TermLoan(loan.by(), loan.from(), loan.running(), loan.rate(), loan.firstPayDay(), loan.payments(), loan.everyMonths(), loan.interestOnly(), loan.dayCount(),
        loan.convention(), typed ? changed : loan.typed(), typed ? loan.early() : changed, loan.keepsEnd(), loan.fee());
  }

  /** Returns the forecast as it would be with something moved: the plan itself is left as it is. */
  public static Forecast trial(Forecast forecast, String id, LocalDate to) {
    Plan plan = forecast.plan();
    Line moved = moved(plan, id, to);
    Books books = forecast.books();
    return Forecaster.forecast(new Plan(plan.settings(), plan.lines().stream().map(line -> line.id().equals(moved.id()) ? moved : line).toList(), plan.buoys()), books);
  }
}
