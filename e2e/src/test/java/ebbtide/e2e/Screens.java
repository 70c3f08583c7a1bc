package ebbtide.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import tools.jackson.databind.json.JsonMapper;

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

  /** The id of the only plan of a program. */
  static String onlyPlan(Running running) {
    return new JsonMapper().readTree(running.get("/api/plans")).get(0).get("id").asString();
  }
}
