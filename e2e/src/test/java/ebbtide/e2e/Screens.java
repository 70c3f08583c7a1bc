package ebbtide.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;

/** Finding things on a page by what a person sees. */
final class Screens {
  private Screens() {}

  static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  static Locator link(Page page, String name) {
    return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
  }

  /** The row of a grid or table by its heading. */
  static Locator row(Page page, String name) {
    return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHas(
        page.getByRole(AriaRole.ROWHEADER, new Page.GetByRoleOptions().setName(name).setExact(true))));
  }

  /** A cell of a grid row, counted from 0. */
  static Locator cell(Page page, String row, int column) {
    return row(page, row).getByRole(AriaRole.GRIDCELL).nth(column);
  }

  /** Has axe look at the page as it is and returns what it finds serious or critical, in words. */
  static List<?> seriousViolations(Page page) {
    return seriousViolations(page, new String[] {"body"});
  }

  /** Has axe look at those of some parts that the page has, and at nothing else of it. */
  static List<?> seriousViolations(Page page, String... parts) {
    // What is on its way in or out has neither its place nor its colour yet.
    page.evaluate("Promise.all(document.getAnimations().map((one) => one.finished.catch(() => null)))");
    if (!(Boolean) page.evaluate("'axe' in window")) {
      page.evaluate(AxeBuilder.getAxeScript());
    }
    return (List<?>) page.evaluate("axe.run({ include: [...document.querySelectorAll('" + String.join(",", parts) + "')] }, { resultTypes: ['violations'] }).then((found) => found.violations"
        + ".filter((rule) => ['serious', 'critical'].includes(rule.impact))"
        + ".map((rule) => rule.id + ': ' + rule.nodes.slice(0, 3).map((node) => node.html)))");
  }
}
