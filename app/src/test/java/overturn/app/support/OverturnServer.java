package overturn.app.support;

import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.junit.jupiter.api.extension.TestExecutionExceptionHandler;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import overturn.app.OverturnApplication;

/**
 * Starts the real application once for all tests of a Java process, on a free port, against the throw-away PostgreSQL
 * that ./overturn test made; it ends with the process. A test that fails tells what the pages showed.
 */
public final class OverturnServer implements BeforeAllCallback, ParameterResolver, TestExecutionExceptionHandler {

    /** What one server of these tests has worked out, the others need not. */
    static final String PREDICTIONS = "target/predictions";

    /** The application while it runs. */
    public record Running(ConfigurableApplicationContext context, String address) {}

    /** Surefire runs each class by itself, so what JUnit keeps for a whole run would last for one class. */
    private static final class Once {
        static final Running RUNNING = start();
    }

    @Override
    public void beforeAll(ExtensionContext context) {
        Once.RUNNING.address();
    }

    @Override
    public void handleTestExecutionException(ExtensionContext context, Throwable failure) throws Throwable {
        throw Browser.withPages(failure);
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Running.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return Once.RUNNING;
    }

    private static Running start() {
        requireRealDatabase();
        ConfigurableApplicationContext context = new SpringApplicationBuilder(
                        OverturnApplication.class, QuickPasswords.class)
                .run(
                        "--server.port=0",
                        "--overturn.demo=true",
                        "--overturn.demo.circuits=tarn-box-van",
                        "--overturn.demo.past=" + Boolean.getBoolean("shots.write"),
                        "--overturn.demo.password=" + ApiClient.PASSWORD,
                        "--overturn.demo.pin=" + ApiClient.PIN,
                        "--overturn.operator-token=" + ApiClient.OPERATOR,
                        "--overturn.warm-up=false",
                        "--overturn.predictions=" + PREDICTIONS,
                        "--spring.flyway.connect-retries=3");
        return new Running(
                context, "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port"));
    }

    /** The database of these tests is thrown away afterwards; never any other. */
    public static void requireRealDatabase() {
        if (!"true".equals(System.getenv("OVERTURN_REAL_DATABASE"))) {
            throw new IllegalStateException(
                    "These tests need the throw-away PostgreSQL that ./overturn test starts; run that");
        }
    }
}
