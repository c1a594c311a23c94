package overturn.simulation;

import java.util.List;
import overturn.circuit.Component.Modulator;
import overturn.suspect.Fault;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;

/** What leaves the chambers of a pressed vehicle: past cups, outside, into the modulator's closed chambers. */
final class Leaks {

    /** Width of the edge of a worn zone, mm; estimate. */
    private static final double ZONE_EDGE_MM = 0.5;
    /** Below this pressure a lip is not pressed on and passes in proportion, bar; estimate. */
    private static final double LIP_SEATED_BAR = 3;
    /** A worn lip passes this much more per °C; estimate. */
    private static final double BY_PASS_PER_C = 0.008;

    /** Pressure at which leaks are given, bar; chosen. */
    private static final double FLOW_REFERENCE_BAR = 20;
    /** Pressure below which nothing leaks, bar; chosen. */
    private static final double HARDLY_ANY_BAR = 0.01;

    private final VehicleState state;
    private final Plant plant;
    private final List<ByPass> byPasses;
    private final List<OutwardLeak> outward;
    private final int[] leaking;
    private final List<ReleaseValvePassing> releaseValves;
    private final int modulator;
    private double outsideMl;
    private double lastBar = -1;
    private double lastFlow;

    Leaks(VehicleState state) {
        this.state = state;
        this.plant = state.mechanism().plant();
        Deviations deviations = state.mechanism().deviations();
        this.byPasses = deviations.byPasses;
        this.outward = deviations.outward;
        this.leaking = new int[outward.size()];
        for (int i = 0; i < leaking.length; i++) {
            leaking[i] = plant.number(outward.get(i).componentId());
        }
        this.releaseValves = deviations.releaseValves;
        this.modulator = plant.modulator == null ? Plant.NONE : plant.number(plant.modulator.id());
    }

    void advance(double seconds) {
        for (int i = 0; i < byPasses.size(); i++) {
            pastCup(byPasses.get(i), seconds);
        }
        for (int i = 0; i < outward.size(); i++) {
            outside(outward.get(i), leaking[i], seconds);
        }
        for (int i = 0; i < releaseValves.size(); i++) {
            intoClosedChamber(releaseValves.get(i), seconds);
        }
    }

    /** Fluid that has left the vehicle so far, mL. */
    double outsideMl() {
        return outsideMl;
    }

    private void pastCup(ByPass cup, double seconds) {
        int c = cup.cup().loses().ordinal();
        double bar = state.travel().pressureBar(c);
        if (bar <= 0) {
            return;
        }
        double ml = flow(cup, bar) * seconds / 60 * inZone(cup);
        state.volumes().intoCompartment(cup.cup().compartment().ordinal(), state.lose(c, ml));
    }

    /**
     * Flow past a lip at a pressure, mL/min: k · (p/20)^e, in proportion while the lip is not seated, more when warm.
     */
    private double flow(ByPass cup, double bar) {
        if (bar != lastBar || byPasses.size() > 1) {
            lastBar = bar;
            lastFlow = cup.mlPerMinAt20Bar()
                    * Math.pow(Math.max(bar, HARDLY_ANY_BAR) / FLOW_REFERENCE_BAR, cup.pressureExponent())
                    * Math.min(1, bar / LIP_SEATED_BAR)
                    * (1 + BY_PASS_PER_C * state.heatC());
        }
        return lastFlow;
    }

    private double inZone(ByPass cup) {
        double secondMm = state.travel().strokeMm(1);
        double cupMm = cup.cup() == Fault.Cup.PRIMARY_PISTON
                ? secondMm + state.travel().strokeMm(0)
                : secondMm;
        double entered = cup.zoneFromMm() <= 0 ? 1 : (cupMm - cup.zoneFromMm()) / ZONE_EDGE_MM;
        double left = (cup.zoneToMm() - cupMm) / ZONE_EDGE_MM;
        return Math.max(0, Math.min(1, Math.min(entered, left)));
    }

    private void outside(OutwardLeak leak, int part, double seconds) {
        int c = leak.chamber().ordinal();
        double bar = state.travel().pressureBar(c);
        if (bar > leak.opensAtBar() && state.section().reaches(c, part)) {
            double ml = leak.mlPerMinAt20Bar() * seconds / 60 * gapFlow(bar);
            outsideMl += state.lose(c, ml);
        }
    }

    /** Flow through a gap or past a seat against that at 20 bar: (p/20)^e, from laminar to an orifice. */
    private double gapFlow(double bar) {
        return Math.pow(
                Math.max(0, bar) / FLOW_REFERENCE_BAR,
                state.mechanism().vehicle().surroundings().gapExponent());
    }

    private void intoClosedChamber(ReleaseValvePassing valve, double seconds) {
        int c = valve.chamber().ordinal();
        Modulator holding = plant.modulator;
        if (holding == null || !state.section().reaches(c, modulator)) {
            return;
        }
        double ml = Math.min(
                valve.mlPerMinAt20Bar() * seconds / 60 * gapFlow(state.travel().pressureBar(c)),
                holding.closedChamberMl() - state.volumes().closedChamberMl(c));
        state.volumes().intoClosedChamber(c, state.lose(c, ml));
    }
}
