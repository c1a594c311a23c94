package overturn.app.api.job;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.usecase.bay.BayKeeper;

/** The lines of the bay as a whole. */
@RestController
@RequestMapping("/api/bay")
class BayController {

    private final BayKeeper keeper;

    BayController(BayKeeper keeper) {
        this.keeper = keeper;
    }

    /** Has all lines made anew from the logs, in the background. */
    @PostMapping("/rebuild")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void rebuild() {
        keeper.rebuild();
    }
}
