package overturn.secondworld;

import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Isolation;
import overturn.secondworld.Circuitry.Branch;
import overturn.suspect.Fault.ReleaseValvePassing;

/** What stays behind when the pedal is let go, how it runs back through the holes, and what stays for good. */
final class Rest {

    private static final double REFERENCE_BAR = 20;
    private static final double LIFTED_OFF_SHARE = 0.35;
    /** A hole that drains faster keeps nothing behind from one press to the next. */
    private static final double AT_ONCE_SECONDS = 3;

    private static final double COOLING_SECONDS = 1800;

    private final Machine machine;
    private final Nature nature;
    /** What has not come back from the ends yet, mL. */
    private final double[] comingBackMl = new double[2];

    Rest(Machine machine) {
        this.machine = machine;
        this.nature = machine.nature;
    }

    /** The foot leaves the pedal: what the ends hold is on its way back, a shut hole keeps some of it. */
    void letGo() {
        if (machine.footN <= 0) {
            machine.askedN = 0;
            return;
        }
        for (Chamber chamber : machine.layout.chambers()) {
            int c = chamber.ordinal();
            double pressed = machine.bar[c];
            comingBackMl[c] = machine.fluid().comesBackSlowlyMl(chamber, pressed) + machine.keptMl[c];
            machine.keptMl[c] = nature.drawnShare * comingBackMl[c];
            if (drainsIn(c) > AT_ONCE_SECONDS && pressed > 1) {
                double held = machine.fluid().trappedBar(chamber, machine.trappedMl[c]) / nature.heldOffBar;
                machine.trappedMl[c] += nature.drawnInMl
                        * Nature.between(machine.random, 0.7, 1.3)
                        * Math.min(1, pressed / REFERENCE_BAR)
                        / (1 + held * held);
            }
            machine.outMl[c] = 0;
            machine.letOutMl[c] = 0;
            machine.bar[c] = 0;
            machine.displacedMl[c] = 0;
            leaveNothingWhereOpen(chamber);
        }
        machine.padsHome = true;
        machine.booster.released();
        machine.footN = 0;
        machine.askedN = 0;
        machine.travelMm = 0;
    }

    /** Time passes with the pedal up. */
    void pass(double seconds) {
        for (Chamber chamber : machine.layout.chambers()) {
            int c = chamber.ordinal();
            double comesBackIn = nature.returnSeconds
                    * (1 + 0.25 * Math.min(4, machine.fluid().airOf(chamber)));
            comingBackMl[c] *= Math.exp(-seconds / comesBackIn);
            machine.keptMl[c] = Math.min(machine.keptMl[c], nature.drawnShare * comingBackMl[c]);
            runsBack(c, seconds);
            for (ReleaseValvePassing valve : machine.troubles.releaseValves) {
                if (valve.chamber() == chamber) {
                    machine.closedMl[c] *= Math.exp(-seconds / valve.leakBackSeconds());
                }
            }
            machine.quickMl[c] *= Math.exp(-seconds / nature.quickSeconds);
            machine.slowMl[c] *= Math.exp(-seconds / nature.slowSeconds);
            for (Branch branch : machine.circuit.branches(chamber)) {
                double slow = nature.returnSeconds + machine.fluid().restrictionSeconds(branch);
                machine.filledMl.computeIfPresent(branch.end().id(), (id, so) -> so * Math.exp(-seconds / slow));
            }
            leaveNothingWhereOpen(chamber);
        }
        machine.runningMl *= Math.exp(-seconds / 20);
        machine.booster.step(seconds, 0, 0);
    }

    private void runsBack(int c, double seconds) {
        double left = Math.exp(-seconds / drainsIn(c));
        machine.trappedMl[c] *= left;
        machine.swollenMl[c] *= left;
    }

    private void leaveNothingWhereOpen(Chamber chamber) {
        if (machine.circuit.isOpen(chamber)) {
            leaveNothing(chamber.ordinal());
            machine.keptMl[chamber.ordinal()] = 0;
        }
    }

    /** What was held in has run out or back, with what warmth had added to it. */
    void leaveNothing(int c) {
        machine.trappedMl[c] = 0;
        machine.swollenMl[c] = 0;
    }

    /** A long time passes at once, the first minute of it already over. */
    void stand(double seconds) {
        for (int c = 0; c < 2; c++) {
            machine.keptMl[c] = 0;
            runsBack(c, seconds);
            double shrunkMl = machine.swollenMl[c] * (1 - Math.exp(-seconds / COOLING_SECONDS));
            machine.trappedMl[c] -= shrunkMl;
            machine.swollenMl[c] -= shrunkMl;
        }
        machine.padsHome = machine.padsHome && seconds < 3600;
        machine.heatC *= Math.exp(-seconds / COOLING_SECONDS);
        machine.booster.step(seconds, 0, 0);
    }

    /** Ends warm up, their fluid by a part of it that no two drives share; behind a shut hole it has nowhere to go. */
    void heat(double byC) {
        machine.heatC += byC;
        double fluidC = byC * nature.fluidWarmth * Nature.between(machine.random, 0.7, 1.3);
        for (Chamber chamber : machine.layout.chambers()) {
            int c = chamber.ordinal();
            if (drainsIn(c) > AT_ONCE_SECONDS && !machine.circuit.isOpen(chamber)) {
                double fluid = machine.circuit.branches(chamber).stream()
                        .mapToDouble(b -> b.end().fluidMl())
                        .sum();
                double ml = 0.0008 * fluidC * Math.min(60, fluid) * Math.min(1, drainsIn(c) / 300);
                machine.trappedMl[c] += ml;
                machine.swollenMl[c] += ml;
            }
        }
    }

    /** Whether a chamber keeps nothing while somebody sets up the next test. */
    boolean runsBackAtOnce(int c) {
        return drainsIn(c) <= AT_ONCE_SECONDS;
    }

    /** Seconds in which what stays behind a hole runs back, as good as never where it is wholly covered. */
    private double drainsIn(int c) {
        Chamber chamber = Chamber.values()[c];
        double free = 1 - machine.coveredShare(machine.fluid().trappedBar(chamber, machine.trappedMl[c]));
        double own = Math.max(0.8, machine.troubles.drainSeconds[c]);
        return free <= 0.02 ? 1e9 : own / (free * free);
    }

    /** Pressure left at an end with the pedal up, bar. */
    double residualBar(Branch branch, Chamber chamber) {
        if (machine.circuit.crackedEnds.contains(branch.end().id())) {
            return 0;
        }
        double behind = Math.max(flapBar(branch), behindNarrowBar(branch));
        if (machine.circuit.isOpen(chamber)) {
            return behind;
        }
        int c = chamber.ordinal();
        double springs = machine.master.springsN() * nature.springs;
        double fromRest = machine.circuit.has(Isolation.MASTER_LOOSE)
                ? 0
                : Math.max(0, 10 * (machine.booster.restingN() - springs) / machine.areaMm2);
        double stuck = Math.max(0, 10 * (machine.troubles.pistonFrictionN - 0.6 * springs) / machine.areaMm2);
        double trapped = machine.fluid().trappedBar(chamber, machine.trappedMl[c]);
        double shut = machine.troubles.shutBarWhenWarm * Math.min(1, machine.heatC / 40);
        double valve = machine.troubles.residualMissing
                ? 0
                : machine.master.residualValveBar() + machine.troubles.unwantedResidualBar;
        return Math.max(Math.max(Math.max(fromRest, stuck), Math.max(trapped, shut)), Math.max(valve, behind));
    }

    /** A flap holds towards the master, whatever is opened there. */
    double flapBar(Branch branch) {
        double flap = 0;
        for (Component part : branch.way()) {
            flap = Math.max(flap, machine.troubles.flapBar.getOrDefault(part.id(), 0.0));
        }
        return flap;
    }

    /**
     * Behind a narrow line an end still holds what has not come back; the last third of it only lifts pads and shoes
     * off.
     */
    private double behindNarrowBar(Branch branch) {
        double so = machine.filledMl.getOrDefault(branch.end().id(), 0.0);
        double full = machine.fluid().branchMl(branch, REFERENCE_BAR);
        double pressing = Math.max(0, so / full - LIFTED_OFF_SHARE) / (1 - LIFTED_OFF_SHARE);
        return machine.fluid().restrictionSeconds(branch) > 0 ? REFERENCE_BAR * pressing * pressing : 0;
    }
}
