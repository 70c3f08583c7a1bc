/**
 * Budgets from spreadsheets: {@link ebbtide.formats.budget.SheetReader} reads CSV or XLSX into cells of text,
 * {@link ebbtide.formats.budget.Budget} finds the months in its headings and the rows with amounts, and
 * {@link ebbtide.formats.budget.LabelMatch} says which line of the plan a row belongs to. Nothing here changes a plan.
 */
@NullMarked
package ebbtide.formats.budget;

import org.jspecify.annotations.NullMarked;
