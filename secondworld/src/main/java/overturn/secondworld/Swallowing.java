package overturn.secondworld;

import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.MeteringValve;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.circuit.Isolation;
import overturn.secondworld.Circuitry.Branch;

/**
 * What a chamber swallows at a pressure: ends that fill late, hoses, fluid, gas, vapour; and what comes back slowly.
 */
final class Swallowing {

    private static final double AMBIENT_BAR = 1.013;
    private static final double FLUID_PER_BAR = 0.00006;

    private final Machine machine;

    Swallowing(Machine machine) {
        this.machine = machine;
    }

    double swallowMl(Chamber chamber, double p) {
        if (p <= 0) {
            return 0;
        }
        double ml = 0;
        for (Branch branch : machine.circuit.branches(chamber)) {
            ml += Math.min(branchMl(branch, atEnd(branch, p)), lateMl(branch, p));
        }
        for (Component part : machine.circuit.parts(chamber)) {
            ml += partMl(part, chamber, p);
        }
        return ml + masterMl(chamber, p);
    }

    /** An end fills late: what it has so far, and at once a part of the rest. */
    private double lateMl(Branch branch, double p) {
        double slow = restrictionSeconds(branch);
        double full = branchMl(branch, atEnd(branch, p));
        double so = machine.filledMl.getOrDefault(branch.end().id(), 0.0);
        double atOnce = slow > 0 ? 0.15 : 0.75;
        return so + Math.max(0, full - so) * atOnce;
    }

    double restrictionSeconds(Branch branch) {
        double seconds = machine.troubles.slowSeconds.getOrDefault(branch.end().id(), 0.0);
        for (Component part : branch.way()) {
            seconds += machine.troubles.slowSeconds.getOrDefault(part.id(), 0.0);
        }
        return seconds;
    }

    /** Pressure that a valve on the way lets through to an end. */
    double atEnd(Branch branch, double p) {
        double at = p;
        for (Component part : branch.way()) {
            if (part instanceof ProportioningValve valve) {
                double knee = valve.kneeBar() * machine.troubles.kneeFactor.getOrDefault(valve.id(), 1.0);
                at = at <= knee ? at : knee + valve.slope() * (at - knee);
            } else if (part instanceof MeteringValve valve) {
                at = at < valve.opensAtBar() * machine.troubles.kneeFactor.getOrDefault(valve.id(), 1.0) ? 0 : at;
            }
        }
        return at;
    }

    double branchMl(Branch branch, double p) {
        if (p <= 0) {
            return 0;
        }
        End end = branch.end();
        if (end instanceof Slave slave) {
            return slave.areaMm2() * slaveStrokeMm(slave, p) / 1000 + air(end, p);
        }
        double own = machine.nature.ends * machine.nature.ownStiffness(branch.number());
        double area = machine.troubles.pistonFactor.getOrDefault(end.id(), 1.0);
        double clearance = clearanceMl(end, branch.number()) * area;
        double taken = clearance * (1 - Math.exp(-Math.pow(p / takeUpBar(end), 1.5)));
        double soft = (end.softMlPerBar() - end.firmMlPerBar()) * own * 14 * (1 - Math.exp(-p / 14));
        return taken + soft + end.firmMlPerBar() * own * p + air(end, p) + vapourMl(end);
    }

    private double takeUpBar(End end) {
        return end instanceof DiscEnd ? 0.7 : 3.2;
    }

    double clearanceMl(End end, int number) {
        double factor = machine.nature.clearances * machine.nature.ownClearance(number);
        if (end instanceof DrumEnd drum) {
            double perShoe =
                    drum.clearancePerShoeMm() * factor + machine.troubles.shoesOffMm.getOrDefault(end.id(), 0.0);
            if (machine.circuit.has(Isolation.SHOES_SET)) {
                return drum.clearanceMl(Math.min(perShoe, 0.12));
            }
            return machine.parkingBrakeOn && drum.parkingBrake()
                    ? drum.clearanceMl(Math.min(perShoe, 0.15))
                    : drum.clearanceMl(perShoe);
        }
        double back = machine.padsHome ? 0 : machine.troubles.pushedBackMm.getOrDefault(end.id(), 0.0);
        return end instanceof DiscEnd disc
                ? disc.pistonAreaMm2() * 2 * (disc.clearancePerPadMm() * factor + back) / 1000
                : 0;
    }

    /** Slave stroke at a pressure, mm: the cover spring is flatter at first than the data sheet's two points. */
    double slaveStrokeMm(Slave slave, double p) {
        double needed = slave.releaseTravelMm() * slave.forkRatio() * machine.nature.releaseNeed;
        double x = p / slave.biteBar();
        double mm = x <= 1
                ? 0.25 * needed * Math.pow(x, 1.25)
                : needed * (0.25 + 0.75 * Math.pow((p - slave.biteBar()) / (slave.fullBar() - slave.biteBar()), 1.1));
        return Math.max(0, Math.min(slave.strokeMm(), mm));
    }

    private double air(End end, double p) {
        double ml = machine.troubles.air(end.id(), machine.layout.chamberOf(end.id()))
                + machine.airLetInMl.getOrDefault(end.id(), 0.0);
        return gas(ml * staysAfterBleeding(end), p);
    }

    /** Some bubbles cling; behind a screw that stands below hardly any come out. */
    private double staysAfterBleeding(End end) {
        boolean bled = machine.circuit.has(end.rear() ? Isolation.REAR_BLED : Isolation.FRONT_BLED);
        return !bled ? 1 : machine.troubles.screwsBelow.contains(end.id()) ? 0.9 : machine.nature.clingsAfterBleeding;
    }

    /** Between isothermal and adiabatic: a quick press is stiffer. */
    static double gas(double ml, double p) {
        return ml <= 0 ? 0 : ml * (1 - Math.pow(AMBIENT_BAR / (AMBIENT_BAR + p), 1 / 1.15));
    }

    private double partMl(Component part, Chamber chamber, double p) {
        double trapped = part instanceof End
                ? 0
                : gas(
                        machine.troubles.air(part.id(), chamber)
                                + 0.5 * machine.airLetInMl.getOrDefault(part.id(), 0.0),
                        p);
        if (part instanceof Hose hose) {
            double swells = machine.nature.hoses * machine.troubles.swelling.getOrDefault(hose.id(), 1.0);
            return trapped + hose.swellMlPerBar() * swells * 30 * Math.log1p(p / 30);
        } else if (part instanceof Pipe pipe) {
            return trapped + FLUID_PER_BAR * pipe.fluidMl() * p;
        } else if (part instanceof Modulator modulator) {
            return trapped + FLUID_PER_BAR * modulator.fluidMl() * p;
        }
        return trapped;
    }

    private double masterMl(Chamber chamber, double p) {
        double ranBack = machine.padsHome
                ? 0
                : machine.troubles.ranBackMl / machine.layout.chambers().size();
        return gas(lowAirMl(), p) + 0.0025 * p + ranBack * (1 - Math.exp(-p));
    }

    /** Level so low that air is drawn in. */
    double lowAirMl() {
        return 0.08 * machine.troubles.lowMl;
    }

    /** Vapour where an end is hotter than its fluid boils, mL. */
    private double vapourMl(End end) {
        double boils =
                245 - 42 * Math.sqrt(Math.max(0, machine.troubles.waterPercent)) - 6 * machine.troubles.waterPercent;
        double hot = 25 + machine.heatC * 0.75 + (machine.heatC > 60 ? 25 : 0);
        return Math.max(0, hot - boils) * 0.06 * end.fluidMl() / 20;
    }

    /**
     * What comes back slowly when the pedal is let go: the roll-back of seals and shoes, a part of what air takes; what
     * is under pressure to the last, as behind a clutch's cover spring, comes at once.
     */
    double comesBackSlowlyMl(Chamber chamber, double pressed) {
        if (pressed <= 0) {
            return 0;
        }
        double ml = 0.6 * gas(airOf(chamber), pressed);
        for (Branch branch : machine.circuit.branches(chamber)) {
            ml += branch.end() instanceof Slave slave
                    ? 0.08 * slave.areaMm2() * slaveStrokeMm(slave, pressed) / 1000
                    : 0.8 * clearanceMl(branch.end(), branch.number());
        }
        return ml;
    }

    double airOf(Chamber chamber) {
        double ml = lowAirMl();
        for (Component part : machine.circuit.parts(chamber)) {
            ml += machine.troubles.air(part.id(), chamber);
        }
        return ml;
    }

    /** Trapped fluid first takes the roll-back of the seals, then makes pressure. */
    double trappedBar(Chamber chamber, double ml) {
        double rollBack = 0;
        double stiff = 0.004;
        for (Branch branch : machine.circuit.branches(chamber)) {
            rollBack += 0.35 * clearanceMl(branch.end(), branch.number());
            stiff += branch.end().softMlPerBar() * machine.nature.ends;
        }
        return Math.max(0, ml - rollBack) / stiff;
    }
}
