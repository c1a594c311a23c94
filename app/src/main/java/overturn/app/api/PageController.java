package overturn.app.api;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The addresses of the screens all lead to the one page, which finds its own way. */
@Controller
class PageController {

    @GetMapping({
        "/",
        "/intake",
        "/jobs/{id}",
        "/jobs/{id}/tests/{procedureId}",
        "/jobs/{id}/bench",
        "/jobs/{id}/walk",
        "/jobs/{id}/work",
        "/jobs/{id}/bleed",
        "/jobs/{id}/proving",
        "/jobs/{id}/card",
        "/bench",
        "/workshop",
        "/catalogue",
        "/layouts",
        "/layouts/new"
    })
    String page() {
        return "forward:/index.html";
    }
}
