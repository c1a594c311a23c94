package overturn.app.config;

import java.io.IOException;
import java.io.Writer;
import org.apache.catalina.Context;
import org.apache.catalina.Host;
import org.apache.catalina.Lifecycle;
import org.apache.catalina.LifecycleEvent;
import org.apache.catalina.LifecycleListener;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/**
 * What the container refuses before any of our classes sees it (an address that cannot be, say) is told as a problem
 * detail too.
 */
public final class ContainerProblems extends ErrorReportValve {

    /** Puts it in the place of the container's own pages. */
    static final class Fitted implements LifecycleListener {

        @Override
        public void lifecycleEvent(LifecycleEvent event) {
            if (Lifecycle.CONFIGURE_START_EVENT.equals(event.getType())
                    && ((Context) event.getLifecycle()).getParent() instanceof StandardHost host) {
                fit(host);
            }
        }

        private static void fit(Host host) {
            for (var valve : host.getPipeline().getValves()) {
                if (valve instanceof ErrorReportValve) {
                    host.getPipeline().removeValve(valve);
                }
            }
            host.getPipeline().addValve(new ContainerProblems());
        }
    }

    @Override
    protected void report(Request request, Response response, Throwable throwable) {
        int status = response.getStatus();
        if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        try {
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setCharacterEncoding("utf-8");
            Writer writer = response.getReporter();
            if (writer != null) {
                writer.write(
                        Refusals.text(
                                HttpStatus.valueOf(status),
                                "request-not-readable",
                                "This request cannot be read",
                                "The request was refused before it was read; a request over HTTP/1.1 as described at /api/openapi is needed"));
                response.finishResponse();
            }
        } catch (IOException | IllegalStateException e) {
            container.getLogger().debug("Nobody is left to tell", e);
        }
    }
}
