package overturn.app.support;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.opentest4j.TestAbortedException;

/**
 * Debian's Chromium, headless; nothing is downloaded. One process serves all tests of a Java process, each on devices
 * of its own.
 */
public final class Browser implements AutoCloseable {

    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    /** Two browsers and two servers share the processors of a test machine: a page may be long in coming. */
    private static final int MOST_WAIT_MILLIS = 90_000;

    /** Characters of a page that a failed test tells. */
    private static final int MOST_SHOWN = 2_000;

    private static final int LOOKING_MILLIS = 2_000;

    private static com.microsoft.playwright.Browser chromium;

    private final List<BrowserContext> devices = new ArrayList<>();

    private static synchronized com.microsoft.playwright.Browser chromium() {
        if (chromium == null) {
            chromium = Playwright.create(
                            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                            .setArgs(FLAGS));
        }
        return chromium;
    }

    /** A fresh device: nothing kept, nobody chosen; answers come from the server or from the test, never kept ones. */
    public Page device(int width, int height) {
        return device(width, height, ServiceWorkerPolicy.BLOCK);
    }

    /** A fresh device that keeps pages and answers as a technician's does. */
    public Page keepingDevice(int width, int height) {
        return device(width, height, ServiceWorkerPolicy.ALLOW);
    }

    /** A fresh device that trusts the certificates of this workshop. */
    public Page trustingDevice(int width, int height) {
        return device(width, height, ServiceWorkerPolicy.ALLOW, true);
    }

    private Page device(int width, int height, ServiceWorkerPolicy workers) {
        return device(width, height, workers, false);
    }

    private Page device(int width, int height, ServiceWorkerPolicy workers, boolean trusting) {
        BrowserContext context = chromium()
                .newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                        .setIgnoreHTTPSErrors(trusting)
                        .setViewportSize(width, height)
                        .setReducedMotion(ReducedMotion.REDUCE)
                        .setServiceWorkers(workers));
        context.setDefaultTimeout(MOST_WAIT_MILLIS);
        devices.add(context);
        return context.newPage();
    }

    /** A failure together with what the open pages showed at that moment. */
    static Throwable withPages(Throwable failure) {
        if (chromium == null || failure instanceof TestAbortedException) {
            return failure;
        }
        String shown = chromium.contexts().stream()
                .flatMap(device -> device.pages().stream())
                .map(Browser::shown)
                .collect(Collectors.joining("\n"));
        return shown.isEmpty() ? failure : new AssertionError(failure.getMessage() + "\n" + shown, failure);
    }

    private static String shown(Page page) {
        String text;
        try {
            text = page.locator("body").innerText(new Locator.InnerTextOptions().setTimeout(LOOKING_MILLIS));
        } catch (PlaywrightException e) {
            text = "nothing that can be read: " + e.getMessage();
        }
        return "The page " + page.url() + " showed: " + text.substring(0, Math.min(text.length(), MOST_SHOWN));
    }

    /** Takes its devices away. */
    @Override
    public void close() {
        devices.forEach(BrowserContext::close);
    }
}
