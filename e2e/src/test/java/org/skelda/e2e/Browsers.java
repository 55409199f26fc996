package org.skelda.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;

/** Debian's headless Chromium; each person gets a profile of their own. Errors on any page fail the test that ends. */
final class Browsers implements AutoCloseable {
    private static final double PATIENCE_MS = 30_000;
    private static final int REMEMBERED = 40;

    /** The program of all tests of a fork: it ends with them. */
    private static final Browser PROGRAM = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));

    private final List<String> errors = new ArrayList<>();
    private final Deque<String> requests = new ArrayDeque<>();

    /** A new browser profile with one page of this size. */
    Page page(int width, int height) {
        return page(new Browser.NewContextOptions().setViewportSize(width, height));
    }

    /** A tablet held across: touch only, as the browser sees it. */
    Page tablet() {
        return page(new Browser.NewContextOptions()
                .setViewportSize(1024, 700)
                .setHasTouch(true)
                .setIsMobile(true));
    }

    /** A phone held upright: one thumb. */
    Page phone() {
        return page(new Browser.NewContextOptions()
                .setViewportSize(390, 780)
                .setHasTouch(true)
                .setIsMobile(true));
    }

    private Page page(Browser.NewContextOptions options) {
        BrowserContext context = PROGRAM.newContext(options);
        context.setDefaultTimeout(PATIENCE_MS);
        return watched(context.newPage());
    }

    Page watched(Page page) {
        page.onPageError(errors::add);
        page.onRequest(request -> remember("asked", request.method() + " " + request.url()));
        page.onRequestFailed(request -> remember("failed", request.url() + " " + request.failure()));
        page.onResponse(response -> remember(String.valueOf(response.status()), response.url()));
        return page;
    }

    private void remember(String what, String of) {
        requests.add(Instant.now() + " " + what + " " + of);
        if (requests.size() > REMEMBERED) {
            requests.removeFirst();
        }
    }

    /** What the pages last asked of the server and what became of it, oldest first: told when a test fails. */
    String requests() {
        return String.join("\n", requests);
    }

    /** Script errors of all pages so far. */
    List<String> errors() {
        return errors;
    }

    /** Closes all pages with their profiles; the browser program stays. */
    void closePages() {
        List.copyOf(PROGRAM.contexts()).forEach(BrowserContext::close);
    }

    @Override
    public void close() {
        closePages();
    }
}
