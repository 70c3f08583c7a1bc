package ebbtide.accounts;

import ebbtide.plan.Line;
import java.util.List;

/** The account of a line: what falls due on it, what it earns, and the sales tax it brings, as its kind has it. It never changes. */
public interface LineAccount {
  /** Returns the line, a stream on books as what is left of it after the as-of date. */
  Line line();

  /** Returns the sums that fall due on a line planned in cash, in order of day (rules 5.2); none of one that is paid by terms or swept. */
  List<Due> dues();

  /** Returns what the line earns by month, to the last that is earned, be the line switched on or off. */
  Earned earned();

  /** Returns the tax points of the line for a settlement of sales tax (rules 7.3). */
  TaxPoints taxPoints(TaxPoints.Basis basis);
}
