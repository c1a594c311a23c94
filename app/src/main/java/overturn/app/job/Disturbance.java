package overturn.app.job;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleNeeds;
import overturn.proving.Gate;

/**
 * What a test did to the vehicle.
 *
 * @param backTo the gate from which on the checks have to be done anew
 * @param fits what it put on
 */
public record Disturbance(Gate backTo, Set<String> fits) {

    /** Empty for a test that opens, fits and raises nothing. */
    static Optional<Disturbance> of(Procedure procedure) {
        Set<String> fits = procedure.steps().stream()
                .flatMap(step -> step.fits().stream())
                .collect(Collectors.toUnmodifiableSet());
        VehicleNeeds needs = procedure.needs();
        if (needs.opened() != VehicleNeeds.Opened.NOTHING || !fits.isEmpty()) {
            return Optional.of(new Disturbance(Gate.CHOCKS, fits));
        }
        return needs.raised() || needs.wheelsOff() ? Optional.of(new Disturbance(Gate.YARD, fits)) : Optional.empty();
    }
}
