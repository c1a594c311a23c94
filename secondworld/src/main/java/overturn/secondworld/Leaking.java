package overturn.secondworld;

import java.util.Optional;
import overturn.circuit.Chamber;
import overturn.circuit.Component.Modulator;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.Cup;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;

/** Leaks of several laws: laminar, through a hole, past a lip that seats; worn zones have no sharp ends. */
final class Leaking {

    private static final double REFERENCE_BAR = 20;

    private final Machine machine;
    private double dripMlPerMinute;

    Leaking(Machine machine) {
        this.machine = machine;
    }

    private double flow(double mlPerMinAtReference, double p, double exponent) {
        return p < 0.3 ? 0 : mlPerMinAtReference / 60 * Math.pow(p / REFERENCE_BAR, exponent);
    }

    /** What ran outside in the last step. */
    double dripMlPerMinute() {
        return dripMlPerMinute;
    }

    void step(double seconds) {
        dripMlPerMinute = 0;
        for (ByPass leak : machine.troubles.byPasses) {
            int c = leak.cup().loses().ordinal();
            double exponent = 0.5 * leak.pressureExponent() + 0.5 * machine.nature.leakExponent;
            double stroke = machine.displacedMl[leak.cup() == Cup.PRIMARY_PISTON ? 0 : 1] * 1000 / machine.areaMm2
                    + (leak.cup() == Cup.PRIMARY_PISTON && machine.master.tandem()
                            ? machine.displacedMl[1] * 1000 / machine.areaMm2
                            : 0);
            double ml = flow(leak.mlPerMinAt20Bar() * machine.nature.leakFactor, machine.bar[c], exponent)
                    * zone(stroke, leak.zoneFromMm(), leak.zoneToMm())
                    * (1 + 0.006 * machine.heatC)
                    * seconds;
            double gone = lose(c, ml);
            machine.compartmentMl[leak.cup().compartment().ordinal()] += gone;
        }
        for (OutwardLeak leak : machine.troubles.leaks) {
            int c = leak.chamber().ordinal();
            if (machine.bar[c] > leak.opensAtBar() && machine.circuit.reaches(leak.chamber(), leak.componentId())) {
                double mlPerMin = leak.mlPerMinAt20Bar() * machine.nature.leakFactor;
                double ml = flow(mlPerMin, machine.bar[c], machine.nature.leakExponent) * seconds;
                dripMlPerMinute += lose(c, ml) / seconds * 60;
            }
        }
        Optional<Modulator> modulator = machine.layout.modulator();
        for (ReleaseValvePassing valve : machine.troubles.releaseValves) {
            int c = valve.chamber().ordinal();
            if (modulator.isPresent()
                    && machine.circuit.reaches(valve.chamber(), modulator.get().id())) {
                double rate = flow(valve.mlPerMinAt20Bar() * machine.nature.releaseValveFactor, machine.bar[c], 1);
                double room = modulator.get().closedChamberMl() - machine.closedMl[c];
                machine.closedMl[c] += lose(c, Math.min(rate * seconds, Math.max(0, room)));
            }
        }
    }

    /** A worn zone has no sharp ends. */
    private static double zone(double strokeMm, double from, double to) {
        double in = 1 / (1 + Math.exp(-(strokeMm - from) / 0.4));
        double out = 1 / (1 + Math.exp(-(to - strokeMm) / 0.4));
        return in * out;
    }

    /** Fluid that leaves a chamber; no more than its piston can still give. */
    private double lose(int c, double ml) {
        Chamber chamber = Chamber.values()[c];
        if (!machine.layout.chambers().contains(chamber)) {
            return 0;
        }
        double room = Math.max(0, machine.limitMl(chamber) - machine.displacedMl[c]);
        double pressing = Math.max(room, machine.bar[c] > 0.3 ? 0.02 : 0);
        double gone = Math.min(ml, pressing);
        machine.outMl[c] += gone;
        return gone;
    }
}
