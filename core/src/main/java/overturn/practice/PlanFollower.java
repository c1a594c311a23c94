package overturn.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;
import overturn.evidence.Reading;
import overturn.evidence.RigSetup;
import overturn.forecast.LayoutModel;
import overturn.inference.Intake;
import overturn.measurement.RigTrust;
import overturn.planning.Proposal;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleNeeds;
import overturn.verdict.Assessment;

/**
 * A technician who does what the plan says, one test at a time, until a verdict is proven or nothing worth doing is
 * left.
 */
public final class PlanFollower {

    /** Tests after which a job ends as it stands; chosen. */
    private static final int MOST_TESTS = 16;

    private final LayoutModel model;

    public PlanFollower(LayoutModel model) {
        this.model = model;
    }

    /**
     * What was done on one vehicle.
     *
     * @param readings in order, the characterisation first
     * @param assessment where it ended
     * @param minutes spent on tests and changes of state
     */
    public record Diagnosis(List<Reading> readings, Assessment assessment, double minutes) {

        public Diagnosis {
            readings = List.copyOf(readings);
        }
    }

    /** Diagnoses a vehicle; stops early after {@code mostTests} further tests. */
    public Diagnosis diagnose(HiddenVehicle vehicle, RandomGenerator random, int mostTests) {
        List<Reading> readings = new ArrayList<>();
        Procedure first = model.procedures().intake();
        readings.add(read(first, false, vehicle, random, 0));
        HiddenVehicle found = vehicle.after(first);
        VehicleNeeds state = VehicleNeeds.SEAT;
        double minutes = first.minutes();
        Assessment assessment = Assessment.of(model, Intake.UNKNOWN, readings, state, Set.of(), Workshop.WELL_EQUIPPED);
        while (readings.size() <= mostTests) {
            Optional<Proposal> next = assessment.next().filter(Proposal::worthDoing);
            if (next.isEmpty()) {
                break;
            }
            Procedure procedure = next.get().procedure();
            readings.add(read(procedure, next.get().anotherRig(), found, random, readings.size()));
            minutes += next.get().minutes();
            state = procedure.needsFrom(state);
            assessment = Assessment.of(model, Intake.UNKNOWN, readings, state, Set.of(), Workshop.WELL_EQUIPPED);
        }
        return new Diagnosis(readings, assessment, minutes);
    }

    /** Diagnoses a vehicle to the end. */
    public Diagnosis diagnose(HiddenVehicle vehicle, RandomGenerator random) {
        return diagnose(vehicle, random, MOST_TESTS);
    }

    private Reading read(
            Procedure procedure, boolean anotherRig, HiddenVehicle vehicle, RandomGenerator random, int index) {
        String setup = RigSetup.name(procedure.rigSetup(), anotherRig ? 2 : 1);
        return new Reading("reading-" + index, procedure.id(), vehicle.read(procedure, random), setup, RigTrust.PROVEN);
    }
}
