package ebbtide.statements;

import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Line;
import ebbtide.plan.Nature;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.SalesTaxSettlement;

/** Where the cash of a line stands in the cash flow statement. */
enum Section {
  OPERATING,
  INVESTING,
  FINANCING;

  /** Returns the section of a line, whose own account is of a kind. */
  static Section of(Line line, Kind main) {
    if (line.assumption() instanceof CapitalSpending) {
      return INVESTING;
    }
    if (line.isFunding() && !(line.assumption() instanceof Interest) || line.assumption() instanceof Dividends) {
      return FINANCING;
    }
    boolean settled = line.assumption() instanceof SalesTaxSettlement || line.assumption() instanceof ProfitTax || line.assumption() instanceof Interest;
    if (line.nature() != Nature.OUTSIDE || settled) {
      return OPERATING;
    }
    return main == Kind.FIXED_ASSETS || main == Kind.OTHER_ASSETS ? INVESTING : FINANCING;
  }
}
