package overturn.app.api;

import jakarta.servlet.http.HttpServletResponse;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The addresses of the screens all lead to the one page, which finds its own way. */
@Controller
class PageController {

    private static final String PAGE = "forward:/index.html";
    private static final Pattern JOB_ID = Pattern.compile("[0-9a-fA-F-]{36}");

    @GetMapping({
        "/",
        "/intake",
        "/bench",
        "/workshop",
        "/catalogue",
        "/layouts",
        "/layouts/new",
        "/people",
        "/server",
        "/record",
        "/record/learned",
        "/record/frequencies",
        "/practice",
        "/practice/results",
        "/practice/{id}",
        "/practice/{id}/debrief",
        "/welcome"
    })
    String page() {
        return PAGE;
    }

    /** Pages of a job; the browser asks for the job while it still reads the page. */
    @GetMapping({
        "/jobs/{id}",
        "/jobs/{id}/tests/{procedureId}",
        "/jobs/{id}/bench",
        "/jobs/{id}/walk",
        "/jobs/{id}/work",
        "/jobs/{id}/bleed",
        "/jobs/{id}/proving",
        "/jobs/{id}/card"
    })
    String page(@PathVariable String id, HttpServletResponse response) {
        if (JOB_ID.matcher(id).matches()) {
            response.setHeader(
                    HttpHeaders.LINK, "</api/jobs/" + id + ">; rel=preload; as=fetch; crossorigin=anonymous");
        }
        return PAGE;
    }
}
