package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.planning.Proposal;
import overturn.planning.TestPlanner;
import overturn.planning.Workshop;
import overturn.procedure.VehicleNeeds;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;

/**
 * A reading that nothing in the list explains: either its rig lied or the fault is in no list, and the same test on
 * another rig tells which.
 */
@Tag("slow")
class RepeatTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Reading SINKS = observed("characterise", "sinks", "eye@characterise");
    private static final Reading DRY = observed("dry-walk", "all-dry", "eye@dry-walk");
    private static final Reading ODD = hold("tape", 60, 30, 62, 31);
    private static final Reading ODD_AGAIN = hold("tape-rig-2", 61, 30, 62, 32);
    private static final Reading PLAIN = hold("tape-rig-2", 36, 40, 45, 55);

    private static Reading observed(String procedure, String option, String setup) {
        return new Reading(procedure + setup, procedure, new Observed(option), setup, RigTrust.PROVEN);
    }

    private static Reading hold(String setup, double... mm) {
        return new Reading(
                "hold-medium" + setup + mm[0],
                "hold-medium",
                new Figures(Arrays.stream(mm)
                        .mapToObj(v -> Optional.of(new TypedQuantity(Double.toString(v), MeasureUnit.MILLIMETRE, v)))
                        .toList()),
                setup,
                RigTrust.PROVEN);
    }

    private static BeliefHistory after(Reading... readings) {
        return BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(readings));
    }

    @Test
    void theReadingThatNothingExplainsIsNamedAndRepeatedBeforeAnythingElse() {
        BeliefHistory history = after(SINKS, DRY, ODD);
        assertTrue(history.now().noneOfThese() > 0.2, "none " + history.now().noneOfThese());
        assertEquals(ODD, history.oddOneOut().orElseThrow());
        Proposal first =
                TestPlanner.of(MODEL, Workshop.WELL_EQUIPPED).rank(history, VehicleNeeds.SEAT, Set.of()).stream()
                        .filter(p -> p.kind() != Proposal.Kind.GATE)
                        .findFirst()
                        .orElseThrow();
        assertEquals("hold-medium", first.procedure().id());
        assertTrue(first.anotherRig());
        assertEquals(Proposal.Kind.CONFLICT, first.kind());
        assertTrue(first.worthDoing(), "whatever it saves: " + first.savedMinutes());
    }

    @Test
    void anotherRigThatReadsTheSameBearsItOut() {
        BeliefHistory history = after(SINKS, DRY, ODD, ODD_AGAIN);
        assertTrue(history.now().noneOfThese() > after(SINKS, DRY, ODD).now().noneOfThese());
        assertEquals(Optional.empty(), history.oddOneOut());
    }

    @Test
    void anotherRigThatReadsAsASuspectShowsTheFirstUp() {
        BeliefHistory history = after(SINKS, DRY, ODD, PLAIN);
        assertTrue(history.now().noneOfThese() < 0.2, "none " + history.now().noneOfThese());
        assertTrue(history.lied(ODD));
        assertEquals(Optional.empty(), history.oddOneOut());
        assertEquals(
                after(SINKS, DRY, PLAIN).now().leadingRemedy(), history.now().leadingRemedy());
    }

    @Test
    void whichOfTheTwoWasFirstDoesNotMatter() {
        for (Reading second : List.of(ODD_AGAIN, PLAIN)) {
            Belief there = after(SINKS, DRY, ODD, second).now();
            Belief back = after(SINKS, DRY, second, ODD).now();
            assertEquals(there.noneOfThese(), back.noneOfThese(), 1e-6);
            MODEL.suspects()
                    .forEach(s -> assertEquals(there.probability(s.id()), back.probability(s.id()), 1e-6, s.id()));
        }
    }

    @Test
    void withoutTheFirstTheSecondStandsAlone() {
        assertEquals(
                Math.log(after(SINKS, DRY, PLAIN).now().noneOfThese()),
                Math.log(after(SINKS, DRY, ODD, PLAIN).without(2).noneOfThese()),
                0.05);
    }

    @Test
    void theSameOnTheSameRigOnceMoreBearsOutNothing() {
        Reading twice = new Reading(
                "twice", ODD_AGAIN.procedureId(), ODD_AGAIN.value(), ODD_AGAIN.rigSetup(), ODD_AGAIN.trust());
        assertEquals(
                logOdds(after(SINKS, DRY, ODD, ODD_AGAIN)), logOdds(after(SINKS, DRY, ODD, ODD_AGAIN, twice)), 0.05);
    }

    private static double logOdds(BeliefHistory history) {
        return Math.log(history.now().noneOfThese() / (1 - history.now().noneOfThese()));
    }
}
