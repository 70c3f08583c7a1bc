package ebbtide.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Debian's Chromium, headless, one for each thread of tests; it notes every request that leaves the host and every
 * fault on a page.
 */
final class Chromium implements AutoCloseable {
    private static final ThreadLocal<Browser> BROWSER = ThreadLocal.withInitial(Chromium::launch);

    private static Browser launch() {
        Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        return playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                        .setChromiumSandbox(false)
                        .setArgs(List.of(
                                "--disable-background-networking",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-sync",
                                "--disable-component-update",
                                "--font-render-hinting=none")));
    }

    /** A busy machine may take its time, in milliseconds; what is waited for must come all the same. */
    private static final int PATIENCE = 45_000;

    static {
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
    }

    private final List<String> outside = new ArrayList<>();
    private final List<String> faults = new ArrayList<>();
    private final String script;
    private BrowserContext context;
    private Page blank;

    Chromium() {
        this("");
    }

    /** Makes a browser in which every page runs a script before its own. */
    Chromium(String script) {
        this.script = script;
    }

    /** Opens a page of 1280x800 that remembers nothing of the pages before. */
    Page open(String url) {
        if (context == null) {
            context = BROWSER.get()
                    .newContext(new Browser.NewContextOptions()
                            .setViewportSize(1280, 800)
                            .setAcceptDownloads(true)
                            .setReducedMotion(ReducedMotion.REDUCE));
            context.addInitScript(script);
        }
        Page page = blank == null ? watched(context.newPage()) : blank;
        blank = null;
        page.navigate(url);
        return page;
    }

    private Page watched(Page page) {
        page.setDefaultTimeout(PATIENCE);
        page.onRequest(request -> {
            if (!request.url().startsWith("http://127.0.0.1:")
                    && !request.url().startsWith("data:")
                    && !request.url().startsWith("blob:")) {
                outside.add(request.url());
            }
        });
        page.onPageError(faults::add);
        return page;
    }

    /** Returns the addresses of requests that left the host. */
    List<String> outside() {
        return outside;
    }

    /** Returns the faults that pages ran into. */
    List<String> faults() {
        return faults;
    }

    /**
     * Closes every page but an empty one, and forgets what they kept: only what was loaded stays, so that the next need
     * not load it again.
     */
    void forget() {
        for (Page page : context.pages()) {
            if (page.url().startsWith("http")) {
                page.evaluate("(localStorage.clear(), sessionStorage.clear())");
            }
            if (blank == null) {
                blank = page;
                page.unrouteAll();
                page.mouse().move(0, 0);
                page.navigate("about:blank");
            } else {
                page.close();
            }
        }
    }

    @Override
    public void close() {
        if (context != null) {
            context.close();
        }
    }
}
