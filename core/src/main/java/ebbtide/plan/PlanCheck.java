package ebbtide.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The check of what only shows between lines: groups that exist, shares that do not run in a circle. */
public final class PlanCheck {
  private final Plan plan;
  private final Map<String, Line> byId = new HashMap<>();
  private final List<PlanProblem> problems = new ArrayList<>();

  private PlanCheck(Plan plan) {
    this.plan = plan;
  }

  /** Returns everything wrong between the lines of a plan, in the order of its lines; empty when all is well. */
  public static List<PlanProblem> problems(Plan plan) {
    PlanCheck check = new PlanCheck(plan);
    check.run();
    return check.problems;
  }

  private void run() {
    for (int i = 0; i < plan.lines().size(); i++) {
      Line line = plan.lines().get(i);
      if (byId.putIfAbsent(line.id(), line) != null) {
        problem(i, "/id", "The id '" + line.id() + "' is used by two lines: give one of them another");
      }
    }
    for (int i = 0; i < plan.lines().size(); i++) {
      checkGroup(i, plan.lines().get(i));
      checkShare(i, plan.lines().get(i));
      checkTerms(i, plan.lines().get(i));
      checkSettlement(i, plan.lines().get(i));
      checkPay(i, plan.lines().get(i));
      checkInterest(i, plan.lines().get(i));
    }
  }

  private void checkInterest(int index, Line line) {
    if (line.isFunding() && line.direction() != Direction.PAYMENT) {
      problem(index, "/direction", "'" + line.name() + "' stands under payments: what is drawn or earned is shown there too");
    }
    if (!(line.assumption() instanceof Interest interest)) {
      return;
    }
    Line of = interest.lineId() == null ? null : byId.get(interest.lineId());
    if (interest.lineId() != null && (of == null || !of.assumption().interest().equals(Optional.of(interest.of())))) {
      problem(index, "/assumption/line", "'" + line.name() + "' is interest of " + (of == null ? "a line that is not in the plan ('" + interest.lineId() + "')"
          : "'" + of.name() + "', which is no " + (interest.of() == Interest.Of.DEPOSIT ? "deposit" : "facility and no loan")) + (interest.of() == Interest.Of.DEPOSIT
              ? ": choose a deposit, or take it out" : ": choose a facility or a loan, or take it out"));
    }
    plan.lines().subList(0, index).stream().filter(other -> other.assumption() instanceof Interest one && one.of() == interest.of()
        && java.util.Objects.equals(one.lineId(), interest.lineId())).findFirst().ifPresent(other -> problem(index, "/assumption/kind", "'" + other.name()
            + "' is the same interest already: keep one of the two, or it would be paid twice"));
  }

  private void checkTerms(int index, Line line) {
    if (line.assumption() instanceof Assumption.Stream stream && stream.terms().shared() != null
        && plan.settings().findTerms(stream.terms().shared()).isEmpty()) {
      problem(index, "/assumption/sharedTerms", "'" + line.name() + "' shares terms that are not in the plan ('"
          + stream.terms().shared() + "'): choose others, or give it terms of its own");
    }
    if (line.assumption() instanceof Assumption.Stream stream && stream.basis() == Basis.BOOKS && stream.terms().by() == Terms.By.TARGET) {
      problem(index, "/assumption/basis", "'" + line.name() + "' stands at a target of days, which is a level and no list: choose terms by "
          + "months or by days, or keep no open items for it");
    }
  }

  private void checkPay(int index, Line line) {
    if (!(line.assumption() instanceof Pay pay)) {
      return;
    }
    if (line.direction() != Direction.PAYMENT) {
      problem(index, "/direction", "'" + line.name() + "' is pay and stands under payments");
    }
    for (Pay.Role role : pay.roles()) {
      Line sales = role.commission() == null ? null : byId.get(role.commission().lineId());
      if (role.commission() != null && (sales == null || !(sales.assumption() instanceof Assumption.Stream))) {
        problem(index, "/assumption/roles", "The commission of " + role.name() + " is a share of " + (sales == null
            ? "a line that is not in the plan ('" + role.commission().lineId() + "')" : "'" + sales.name()
            + "', which has no monthly amounts") + ": choose a line with sales by month");
      }
    }
  }

  private void checkSettlement(int index, Line line) {
    Assumption assumption = line.assumption();
    String tax = assumption instanceof SalesTaxSettlement ? "sales tax" : assumption instanceof ProfitTax ? "profit tax" : null;
    if (line.direction() != Direction.PAYMENT && (assumption instanceof CapitalSpending || assumption instanceof Dividends)) {
      problem(index, "/direction", "'" + line.name() + "' stands under payments: what comes in is shown there too");
    }
    if (tax == null) {
      return;
    }
    if (line.direction() != Direction.PAYMENT) {
      problem(index, "/direction", "'" + line.name() + "' settles " + tax + " and stands under payments: a refund is shown there too");
    }
    plan.lines().subList(0, index).stream().filter(other -> other.assumption().getClass() == assumption.getClass()).findFirst()
        .ifPresent(other -> problem(index, "/assumption/kind", "'" + other.name() + "' already settles the plan's " + tax + ": keep "
            + "one of the two, or the tax would be paid twice"));
  }

  private void checkGroup(int index, Line line) {
    if (line.group() == null) {
      return;
    }
    Line group = byId.get(line.group());
    if (group == null) {
      problem(index, "/group", "'" + line.name() + "' stands in a group that is not in the plan ('" + line.group()
          + "'): add the group, or leave it out");
      return;
    }
    if (!group.isGroup()) {
      problem(index, "/group", "'" + line.name() + "' stands in '" + group.name() + "', which is not a group");
    } else if (group.direction() != line.direction()) {
      problem(index, "/group", "'" + line.name() + "' and its group '" + group.name()
          + "' are not both receipts or both payments");
    }
    Set<String> seen = new HashSet<>(Set.of(line.id()));
    for (Line at = group; at != null; at = at.group() == null ? null : byId.get(at.group())) {
      if (!seen.add(at.id())) {
        problem(index, "/group", "'" + line.name() + "' stands inside itself: put it in another group");
        return;
      }
    }
  }

  private void checkShare(int index, Line line) {
    String of = readBy(line);
    if (of == null) {
      return;
    }
    boolean stock = ((Assumption.Stream) line.assumption()).method() instanceof ActivityMethod.StockPurchases;
    String reads = stock ? "buys stock for" : "is a share of";
    String place = "/assumption/method/" + (stock ? "sales" : "line");
    Line other = byId.get(of);
    if (other == null) {
      problem(index, place, "'" + line.name() + "' " + reads + " a line that is not in the plan ('" + of
          + "'): choose another line in '" + line.name() + "' first");
    } else if (!(other.assumption() instanceof Assumption.Stream)) {
      problem(index, place, "'" + line.name() + "' " + reads + " '" + other.name()
          + "', which has no monthly amounts: choose a line with sales or costs by month");
    } else {
      checkCircle(index, line, place);
    }
  }

  private void checkCircle(int index, Line line, String place) {
    Set<String> way = new LinkedHashSet<>();
    for (Line at = line; at != null; at = readBy(at) == null ? null : byId.get(readBy(at))) {
      if (!way.add(at.id())) {
        problem(index, place, "Shares run in a circle: " + way.stream().map(id -> "'" + byId.get(id).name() + "'")
            .collect(Collectors.joining(" of ")) + " of '" + at.name() + "'. Give one of them an amount of its own");
        return;
      }
    }
  }

  /** Returns the id of the line whose months a stream's method reads, null if it reads none. */
  private static String readBy(Line line) {
    return line.assumption() instanceof Assumption.Stream && !line.reads().isEmpty() ? line.reads().get(0) : null;
  }

  private void problem(int index, String where, String sentence) {
    problems.add(new PlanProblem("/lines/" + index + where, sentence));
  }
}
