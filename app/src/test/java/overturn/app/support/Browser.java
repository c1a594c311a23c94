package overturn.app.support;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Debian's Chromium, headless; nothing is downloaded. */
public final class Browser implements AutoCloseable {

    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private final Playwright playwright;
    private final com.microsoft.playwright.Browser browser;

    public Browser() {
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(FLAGS));
    }

    /** A fresh device: nothing kept, nobody chosen; answers come from the server or from the test, never kept ones. */
    public Page device(int width, int height) {
        return device(width, height, ServiceWorkerPolicy.BLOCK);
    }

    /** A fresh device that keeps pages and answers as a technician's does. */
    public Page keepingDevice(int width, int height) {
        return device(width, height, ServiceWorkerPolicy.ALLOW);
    }

    private Page device(int width, int height, ServiceWorkerPolicy workers) {
        BrowserContext context = browser.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setReducedMotion(ReducedMotion.REDUCE)
                .setServiceWorkers(workers));
        context.setDefaultTimeout(15_000);
        return context.newPage();
    }

    @Override
    public void close() {
        playwright.close();
    }
}
