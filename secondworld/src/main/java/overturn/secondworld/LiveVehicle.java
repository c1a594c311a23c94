package overturn.secondworld;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.End;
import overturn.circuit.End.Slave;
import overturn.protocol.Act;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;

/**
 * A vehicle of the second world that goes on in time: a foot or hand presses it, engine and fittings change, and what
 * can be seen moves. It is what a test of {@link SecondWorldVehicle} is done on, step by step.
 */
public final class LiveVehicle {

    /** A live foot makes its force within this, s. */
    private static final double FOOT_SECONDS = 0.12;

    private final Machine machine;
    private final Eyes steady;
    private double shownTravelMm;

    LiveVehicle(Machine machine) {
        this.machine = machine;
        this.steady = new Eyes(machine, Steady.MEAN);
        machine.cut(new Circuitry(machine.layout, CutSet.NONE));
    }

    /**
     * What can be seen of it at one moment.
     *
     * @param forceN at the pedal or lever
     * @param travelMm at the pedal or lever tip; comes back as slowly as this vehicle's does
     * @param barByChamber pressure in each chamber
     * @param endBarById pressure at each end
     * @param compartmentMl fluid that came back into each compartment so far
     * @param reserve what the assist holds, kPa or bar; 0 without one
     * @param supply what comes down its hose, kPa or bar
     * @param slaveStrokeMm 0 without a slave
     * @param dragNmById drag of each wheel
     * @param heatC of the ends above the air
     * @param dripMlPerMinute what runs out while it is pressed
     */
    public record Shown(
            double forceN,
            double travelMm,
            Map<Chamber, Double> barByChamber,
            Map<String, Double> endBarById,
            Map<Chamber, Double> compartmentMl,
            double reserve,
            double supply,
            double slaveStrokeMm,
            Map<String, Double> dragNmById,
            double heatC,
            double dripMlPerMinute) {}

    /** Changes what is wrong with it, as a repair or a mistake does; what is pressed or trapped stays. */
    public void trouble(List<Fault> faults) {
        machine.become(new Troubles(faults));
    }

    /** A force in N that is held until another comes; 0 lets go. */
    public void foot(double forceN) {
        machine.bear(Math.max(0, forceN), FOOT_SECONDS);
    }

    /** Somebody is asked for a force, N, and makes it as people do: not quite, and at their own pace. */
    public void ask(double forceN) {
        machine.beginPress(forceN);
    }

    /** Whether the force that was asked for is still being made. */
    public boolean making() {
        return machine.pressing();
    }

    /** Does what takes no time of its own; presses and waits are for {@link #foot}, {@link #ask} and {@link #step}. */
    public void act(Act act) {
        machine.act(act);
    }

    /**
     * Something is plugged, clamped, cracked open or taken out, or put back; a foot stays where it is. Air that work
     * lets in is told by {@link #trouble}.
     */
    public void fit(CutSet cuts) {
        machine.refit(new Circuitry(machine.layout, cuts));
    }

    /** Time passes, s. */
    public void step(double seconds) {
        machine.advance(seconds);
        double back = Math.max(0.06, steady.see(Sensed.RETURN_SECONDS, "") / 3);
        shownTravelMm = machine.travelMm >= shownTravelMm || machine.footN > 0
                ? machine.travelMm
                : shownTravelMm * Math.exp(-seconds / back);
    }

    /** What eye, tape, gauge or hand finds now, with what differs from look to look. */
    public double sense(Sensed quantity, String place) {
        return new Eyes(machine).see(quantity, place);
    }

    /** What can be seen now, without shaking. */
    public Shown shown() {
        Map<Chamber, Double> bars = new LinkedHashMap<>();
        Map<Chamber, Double> compartments = new LinkedHashMap<>();
        for (Chamber chamber : machine.layout.chambers()) {
            bars.put(chamber, machine.bar[chamber.ordinal()]);
            compartments.put(chamber, machine.compartmentMl[chamber.ordinal()]);
        }
        Map<String, Double> ends = new LinkedHashMap<>();
        Map<String, Double> drags = new LinkedHashMap<>();
        boolean clutch = false;
        for (End end : machine.layout.ends()) {
            ends.put(
                    end.id(),
                    Math.max(
                            steady.see(Sensed.END_BAR, end.id()),
                            machine.footN > 0 ? 0 : steady.see(Sensed.RESIDUAL_BAR, end.id())));
            clutch |= end instanceof Slave;
            if (!(end instanceof Slave)) {
                drags.put(end.id(), steady.see(Sensed.WHEEL_DRAG_NM, end.id()));
            }
        }
        return new Shown(
                machine.footN,
                shownTravelMm,
                bars,
                ends,
                compartments,
                machine.booster.store(),
                machine.booster.supply(),
                clutch ? steady.see(Sensed.SLAVE_STROKE_MM, "") : 0,
                drags,
                machine.heatC,
                machine.drips());
    }
}
