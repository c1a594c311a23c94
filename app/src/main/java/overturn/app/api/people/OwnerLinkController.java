package overturn.app.api.people;

import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.people.PeopleController.LinkView;
import overturn.app.usecase.people.ManagePeople;

/** The link of the first owner, for the commands of this machine only. */
@RestController
class OwnerLinkController {

    private final ManagePeople people;

    OwnerLinkController(ManagePeople people) {
        this.people = people;
    }

    /** The path where the first owner comes in; none once there is an owner. */
    record OwnerLinkView(Optional<String> path) {}

    /** With {@code another} for one more owner, whoever there is. */
    @PostMapping("/api/owner-link")
    OwnerLinkView link(@RequestParam(defaultValue = "false") boolean another) {
        Optional<String> made = another ? Optional.of(people.anotherOwnerLink()) : people.firstOwnerLink();
        return new OwnerLinkView(made.map(token -> LinkView.of(token).path()));
    }
}
