package ebbtide.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Finding things on a page by what a person sees. */
final class Screens {
    private static final String VIOLATIONS = script("violations.js");

    private Screens() {}

    private static String script(String name) {
        try (InputStream in = Screens.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A button by its whole name, or the tab that shows another part of a view. */
    static Locator button(Page page, String name) {
        Page.GetByRoleOptions called = new Page.GetByRoleOptions().setName(name).setExact(true);
        return page.getByRole(AriaRole.BUTTON, called).or(page.getByRole(AriaRole.TAB, called));
    }

    static Locator link(Page page, String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
    }

    /**
     * The row of a grid or table by its heading. Roles and names cost time to find out: only of rows that hold the
     * words at all are they asked.
     */
    static Locator row(Page page, String name) {
        return page.locator("tr, [role=row]")
                .filter(new Locator.FilterOptions().setHasText(name))
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.ROWHEADER,
                                new Page.GetByRoleOptions().setName(name).setExact(true))));
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
        if (!(Boolean) page.evaluate("'axe' in window")) {
            page.evaluate(AxeBuilder.getAxeScript());
        }
        return (List<?>) page.evaluate(VIOLATIONS, String.join(",", parts));
    }

    /** Has a page hear nothing of others any more, as where the connection is gone, and loads it anew. */
    static void deafen(Page page) {
        page.route("**/live?*", Route::abort);
        page.reload();
    }
}
