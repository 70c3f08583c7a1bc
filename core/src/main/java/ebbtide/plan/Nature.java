package ebbtide.plan;

/** Where a line stands in the income statement, or that it stands outside it. */
public enum Nature {
  SALES,
  OTHER_INCOME,
  COST_OF_SALES,
  OVERHEADS,
  /** No income or cost: equity paid in, loans, assets, tax that is only passing through. */
  OUTSIDE;

  /** Returns where a line of a direction with an assumption usually stands. */
  public static Nature usual(Direction direction, Assumption assumption) {
    if (assumption instanceof SalesTaxSettlement || assumption instanceof ProfitTax || assumption instanceof Dividends
        || assumption instanceof Revolving || assumption instanceof TermLoan || assumption instanceof Interest) {
      return OUTSIDE;
    }
    if (direction == Direction.RECEIPT) {
      return assumption instanceof Assumption.Stream ? SALES : OTHER_INCOME;
    }
    return assumption instanceof Assumption.Stream stream && stream.method() instanceof ActivityMethod.StockPurchases ? COST_OF_SALES
        : OVERHEADS;
  }
}
