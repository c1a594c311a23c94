package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.circuit.Chamber;
import overturn.circuit.End;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.Fault.PreLoad;
import overturn.suspect.Fault.Rod;

/** A remedy that costs no part, tried as a test: what it takes away is gone after it, and nothing else is. */
class TriedRemediesTest {

    private static final double AIR_ML = 1.5;

    private static double[] read(Layout layout, String test, Fault... faults) {
        Procedure procedure = ProcedureCatalogue.of(layout).find(test).orElseThrow();
        return procedure.predicted(
                Simulator.of(layout).run(procedure.protocol(), VehicleUnknowns.NOMINAL, List.of(faults)));
    }

    private static Fault air(Layout layout, String part) {
        return new Fault.TrappedAir(
                part, part.equals(layout.master().id()) ? Chamber.PRIMARY : layout.chamberOf(part), AIR_ML);
    }

    private static String end(Layout layout, boolean rear) {
        return layout.ends().stream()
                .filter(e -> e.rear() == rear)
                .findFirst()
                .map(End::id)
                .orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(strings = {"tarn-box-van", "pellow-hatchback", "old-bess-tender", "corvane-flatbed"})
    void bleedingAnAxleGivesBackWhatItsAirCostAndNoMore(String preset) {
        Layout layout = Presets.layout(preset);
        double sound = read(layout, "rear-axle-bled")[0];
        double[] rear = read(layout, "rear-axle-bled", air(layout, end(layout, true)));
        double[] front = read(layout, "rear-axle-bled", air(layout, end(layout, false)));
        double[] master =
                read(layout, "rear-axle-bled", air(layout, layout.master().id()));
        double cost = rear[0] - sound;
        assertTrue(cost > 3, "air costs " + cost + " mm");
        assertEquals(0.9 * cost, rear[0] - rear[1], 0.15 * cost);
        double settled = read(layout, "rear-axle-bled")[0] - read(layout, "rear-axle-bled")[1];
        assertEquals(settled, front[0] - front[1], 0.5);
        assertEquals(settled, master[0] - master[1], 0.5);
    }

    @Test
    void airBehindAScrewThatStandsBelowStays() {
        Layout layout = Presets.layout("tarn-box-van");
        String front = end(layout, false);
        double[] below = read(layout, "front-axle-bled", air(layout, front), new Fault.ScrewBelow(Set.of(front)));
        assertEquals(below[0], below[1], 1);
    }

    @Test
    void halfATurnFreesWhatARodHoldsByLessThanThatAndNothingInsideTheAssist() {
        Layout layout = Presets.layout("tarn-box-van");
        double play = layout.input().freePlayMm() / layout.input().ratioAtRest()
                + 0.6 * layout.master().portTravelMm();
        double[] rod = read(layout, "half-turn-back", new PreLoad(Rod.PEDAL_ROD, play + 1));
        double[] stop = read(layout, "half-turn-back", new PreLoad(Rod.PEDAL_STOP, play + 1));
        double[] longer = read(layout, "half-turn-back", new PreLoad(Rod.PEDAL_ROD, play + 3));
        double[] inside = read(layout, "half-turn-back", new PreLoad(Rod.OUTPUT_ROD, play + 1));
        double free = read(layout, "half-turn-back")[1];
        assertTrue(rod[0] > free + 2, "drags by " + rod[0]);
        assertEquals(free, rod[1], 0.1);
        assertEquals(free, stop[1], 0.1);
        assertTrue(longer[1] > free + 2, "frees to " + longer[1]);
        assertEquals(inside[0], inside[1], 0.1);
    }

    @Test
    void anAxleWhoseChamberIsFullOfAirTakesNoPart() {
        Layout layout = Presets.layout("pellow-hatchback");
        double[] sound = read(layout, "axles-on-road");
        double[] rear = read(
                layout,
                "axles-on-road",
                new Fault.TrappedAir(end(layout, true), layout.chamberOf(end(layout, true)), 12));
        assertTrue(sound[0] > 0.9, "both " + sound[0]);
        assertTrue(rear[2] > 0.5, "rear idle " + rear[2]);
    }

    @Test
    void aPittedBoreIsWiderOneWayThanAcross() {
        Layout layout = Presets.layout("tarn-box-van");
        double[] sound = read(layout, "bore-for-wear");
        double[] pitted = read(layout, "bore-for-wear", new Fault.WrongBore(1.004));
        double[] otherBore = read(layout, "bore-for-wear", new Fault.WrongBore(1.1));
        assertEquals(sound[0], sound[1], 1e-9);
        assertEquals(0.1, pitted[0] - pitted[1], 1e-9);
        assertEquals(otherBore[0], otherBore[1], 1e-9);
    }
}
