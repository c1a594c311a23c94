package overturn.secondworld;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.random.RandomGenerator;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Master;
import overturn.circuit.Component.MeteringValve;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.circuit.Input;
import overturn.circuit.Isolation;
import overturn.circuit.Layout;
import overturn.protocol.Act;
import overturn.secondworld.Circuitry.Branch;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;
import overturn.suspect.Fault.Rod;

/**
 * One vehicle while a test is done on it, in steps of time. The foot makes its force within its pace; friction holds
 * the pistons between what lets them go on and what lets them come back; each end fills late and gives slowly; leaks
 * follow a law of their own.
 */
final class Machine {

    private static final double STEP = 0.1;
    private static final double LONG_STEP = 0.5;
    private static final double AMBIENT_BAR = 1.013;
    private static final double REFERENCE_BAR = 20;
    private static final double USUAL_FRICTION_N = 28;
    private static final double FLUID_PER_BAR = 0.00006;
    /** A hand or foot that presses until the stop, N. */
    private static final double TO_STOP_N = 3_000;

    final Layout layout;
    final Nature nature;
    final Troubles troubles;
    final Master master;
    final Input input;
    final Booster booster;
    final RandomGenerator random;
    final double areaMm2;
    Circuitry circuit;
    boolean parkingBrakeOn;
    double footN;
    double askedN;
    double heldSeconds;
    double heatC;
    double travelMm;
    double markedTravelMm;
    final double[] bar = new double[2];
    final double[] keptMl = new double[2];
    final double[] trappedMl = new double[2];
    final double[] closedMl = new double[2];
    final double[] compartmentMl = new double[2];
    final double[] markedCompartmentMl = new double[2];
    boolean padsHome;
    private final double[] outMl = new double[2];
    private final double[] letOutMl = new double[2];
    private final double[] quickMl = new double[2];
    private final double[] slowMl = new double[2];
    private double runningMl;
    private double runningSeconds;
    private final double[] displacedMl = new double[2];
    private final Map<String, Double> filledMl = new HashMap<>();
    private final Map<String, Double> airLetInMl = new HashMap<>();

    Machine(Layout layout, Nature nature, Troubles troubles, RandomGenerator random, Carried before) {
        this.layout = layout;
        this.nature = nature;
        this.troubles = troubles;
        this.random = random;
        this.master = layout.master();
        this.input = layout.input();
        this.booster = new Booster(layout.assist().orElse(null), nature, troubles);
        this.areaMm2 = master.areaMm2() * troubles.boreFactor;
        this.padsHome = before.padsHome();
        for (int c = 0; c < 2; c++) {
            trappedMl[c] = before.trappedMl()[c];
            closedMl[c] = before.closedMl()[c];
        }
    }

    /** What a test leaves behind that the next one finds. */
    record Carried(boolean padsHome, double[] trappedMl, double[] closedMl) {
        static Carried none() {
            return new Carried(false, new double[2], new double[2]);
        }
    }

    Carried carried() {
        return new Carried(padsHome, trappedMl.clone(), closedMl.clone());
    }

    void cut(Circuitry now) {
        if (circuit != null) {
            for (String joint : circuit.cuts.opened()) {
                airLetInMl.merge(layout.joint(joint).from(), Nature.between(random, 0.1, 0.6), Double::sum);
            }
        }
        circuit = now;
        booster.vent(now.has(Isolation.SUPPLY_VENTED));
        for (int c = 0; c < 2; c++) {
            boolean opened = now.open.getOrDefault(Chamber.values()[c], false);
            trappedMl[c] = opened ? 0 : trappedMl[c];
            closedMl[c] = now.cuts.closed().isEmpty() ? closedMl[c] : 0;
        }
    }

    void act(Act act) {
        if (act instanceof Act.StartEngine) {
            engine(true);
        } else if (act instanceof Act.StopEngine) {
            engine(false);
        } else if (act instanceof Act.Press press) {
            press(press.forceN());
        } else if (act instanceof Act.PressToStop) {
            press(TO_STOP_N);
        } else if (act instanceof Act.Hold hold) {
            hold(hold.seconds());
        } else if (act instanceof Act.Release release) {
            release(release.seconds());
        } else if (act instanceof Act.ParkingBrake brake) {
            parkingBrakeOn = brake.on();
        } else if (act instanceof Act.Steer steer) {
            booster.steer(steer.againstStop());
        } else if (act instanceof Act.Heat heat) {
            heat(heat.byC());
        } else if (act instanceof Act.Stand stand) {
            stand(stand.seconds());
        } else if (act instanceof Act.Drive) {
            padsHome = false;
        } else if (act instanceof Act.Recut recut) {
            release(0);
            cut(new Circuitry(layout, recut.cuts()));
        } else if (act instanceof Act.LetOut out) {
            int c = out.chamber().ordinal();
            letOutMl[c] += Math.max(0, out.strokeMm() * areaMm2 / 1000 - strokeMl(c));
            settle(true);
        } else if (act instanceof Act.Mark) {
            markedTravelMm = travelMm;
            for (int c = 0; c < 2; c++) {
                markedCompartmentMl[c] = compartmentMl[c];
            }
        }
    }

    private void engine(boolean runs) {
        booster.run(runs);
        runningSeconds = 0;
    }

    private void press(double forceN) {
        askedN = forceN * nature.person * (1 + nature.pressSpread * random.nextGaussian());
        heldSeconds = 0;
        double from = footN;
        for (double t = STEP; t <= nature.paceSeconds + STEP; t += STEP) {
            footN = from + (askedN - from) * Math.min(1, t / nature.paceSeconds);
            step(STEP);
        }
    }

    private void hold(double seconds) {
        double step = seconds > 5 ? LONG_STEP : STEP;
        for (double t = 0; t < seconds - 1e-9; t += step) {
            heldSeconds += step;
            footN = askedN * (1 - nature.fadeShare * (1 - Math.exp(-heldSeconds / 40)));
            step(step);
        }
    }

    private void step(double seconds) {
        double rodN = footN * ratio();
        booster.step(seconds, footN > 0 ? rodN : 0, rodMm());
        runningSeconds += booster.running() ? seconds : 0;
        give(seconds);
        leak(seconds);
        settle(false);
    }

    private double ratio() {
        return input.ratioAt(travelMm) * troubles.ratio;
    }

    private double rodMm() {
        return input.rodTravelMm(travelMm) / troubles.ratio;
    }

    /** Pressure that the foot and the assist would make, and the band in which friction holds. */
    private void settle(boolean bySlipping) {
        double springsN = springsN()
                * (1
                        + nature.springRise
                                * (displacedMl[0] + displacedMl[1])
                                * 1000
                                / areaMm2
                                / Math.max(1, master.primaryStrokeMm()));
        double driving = footN * ratio() + (footN > 0 ? booster.forceN() : booster.restingN()) - springsN;
        double friction = nature.frictionN
                + nature.frictionShare * Math.max(0, driving)
                + troubles.inputFrictionN
                + troubles.pistonFrictionN;
        double up = Math.max(0, 10 * (driving - friction) / areaMm2);
        double down = Math.max(0, 10 * (driving + friction) / areaMm2);
        double now = Math.max(bar[0], bar[1]);
        double p = footN == 0 ? 0 : now < up || bySlipping ? up : Math.min(now, down);
        place(p);
    }

    /** Finds where pistons and pedal stand at a pressure; a piston at its end, or a pedal at its stop, holds less. */
    private void place(double p) {
        double stopRodMm = input.rodTravelMm(input.travelToStopMm()) / troubles.ratio;
        double at = p;
        if (rodAt(at) > stopRodMm && footN > 0) {
            double low = 0;
            double high = at;
            for (int i = 0; i < 28; i++) {
                at = (low + high) / 2;
                if (rodAt(at) > stopRodMm) {
                    high = at;
                } else {
                    low = at;
                }
            }
            at = low;
        }
        double rod = footN > 0 ? rodAt(at) : 0;
        travelMm = Math.min(input.travelToStopMm(), input.travelMm(rod * troubles.ratio));
    }

    /** Rod travel at a pressure, mm; keeps the displacements and each chamber's pressure. */
    private double rodAt(double p) {
        double total = 0;
        for (Chamber chamber : layout.chambers()) {
            int c = chamber.ordinal();
            double limit = limitMl(chamber);
            double wanted = demandMl(chamber, p);
            if (circuit.open.get(chamber)) {
                displacedMl[c] = p > 0 ? limit : 0;
                bar[c] = 0;
            } else if (wanted <= limit) {
                displacedMl[c] = Math.max(0, wanted);
                bar[c] = p;
            } else {
                displacedMl[c] = limit;
                bar[c] = pressureFor(chamber, limit, p);
            }
            total += displacedMl[c];
        }
        double filling =
                master.fastFillBoreMm() > master.boreMm() ? Math.pow(master.boreMm() / master.fastFillBoreMm(), 2) : 1;
        double early = Math.min(total, earlyMl());
        double stroke = (early * filling + (total - early)) * 1000 / areaMm2;
        return p <= 0 && footN == 0 ? 0 : beforeMm() + stroke + bendMm(p);
    }

    /** Bulkhead and bracket under what the rod carries; a pedal at its stop carries the rest itself, mm at the rod. */
    private double bendMm(double p) {
        double rodN = Math.min(footN * ratio(), p * areaMm2 / 10 + springsN());
        return (nature.bulkheadMmPerKn + troubles.flexMmPerKn) * rodN / 1000;
    }

    /** The data sheet's springs hold those of the seals, whose friction is counted by itself here. */
    private double springsN() {
        return Math.max(0.5 * master.springsN(), master.springsN() - USUAL_FRICTION_N) * nature.springs;
    }

    /** What a stepped bore fills with its larger piston. */
    private double earlyMl() {
        double ml = 0;
        for (Chamber chamber : layout.chambers()) {
            ml += Math.min(displacedMl[chamber.ordinal()], swallowMl(chamber, Master.FAST_FILL_BAR));
        }
        return ml;
    }

    private double pressureFor(Chamber chamber, double ml, double most) {
        double low = 0;
        double high = most;
        for (int i = 0; i < 24; i++) {
            double mid = (low + high) / 2;
            if (demandMl(chamber, mid) > ml) {
                high = mid;
            } else {
                low = mid;
            }
        }
        return low;
    }

    private double limitMl(Chamber chamber) {
        return areaMm2 * (chamber == Chamber.PRIMARY ? master.primaryStrokeMm() : master.secondaryStrokeMm()) / 1000;
    }

    /** Fluid that a chamber's piston must have pushed out at a pressure, mL. */
    private double demandMl(Chamber chamber, double p) {
        int c = chamber.ordinal();
        return swallowMl(chamber, p)
                + quickMl[c]
                + slowMl[c]
                + outMl[c]
                + letOutMl[c]
                + (c == 0 ? runningMl : 0)
                - Math.min(keptMl[c] + trappedMl[c], swallowMl(chamber, p));
    }

    /** Rod travel that moves no fluid, mm. */
    double beforeMm() {
        double sound = input.freePlayMm() * nature.freePlay / input.ratioAtRest()
                + master.portTravelMm()
                + nature.lostMotionMm
                + booster.lashMm()
                + troubles.assistAirMm;
        double lost = troubles.lost(Rod.PEDAL_ROD)
                + troubles.lost(Rod.OUTPUT_ROD)
                + troubles.lost(Rod.LEVER_BUSH)
                + troubles.lost(Rod.REACH_SCREW)
                + troubles.lost(Rod.PEDAL_STOP);
        return Math.max(0.1, sound - pushedInMm()) + lost;
    }

    /** How far rods and screws push in at rest, mm at the rod; a lifted pedal takes those before the assist away. */
    double pushedInMm() {
        double before = troubles.pushedIn(Rod.PEDAL_ROD)
                + troubles.pushedIn(Rod.LEVER_BUSH)
                + troubles.pushedIn(Rod.REACH_SCREW)
                + troubles.pushedIn(Rod.PEDAL_STOP);
        double behind = troubles.pushedIn(Rod.OUTPUT_ROD) + troubles.proudMm;
        return circuit.has(Isolation.MASTER_LOOSE) ? 0 : (circuit.has(Isolation.PEDAL_LIFTED) ? 0 : before) + behind;
    }

    /** Share of the holes that stays covered at rest, 0 to 1. */
    double coveredShare() {
        double play = input.freePlayMm() * nature.freePlay / input.ratioAtRest() + 0.6 * master.portTravelMm();
        double beyond = pushedInMm() - play;
        double pushed =
                !circuit.has(Isolation.MASTER_LOOSE) && booster.restingN() > master.springsN() * nature.springs ? 1 : 0;
        double stuck = troubles.pistonFrictionN > 0.6 * master.springsN()
                ? Math.min(1, troubles.pistonFrictionN / master.springsN() - 0.5)
                : 0;
        return Math.max(Math.max(pushed, stuck), Math.min(1, Math.max(0, beyond / 0.8)));
    }

    /** Seconds in which what stays behind a hole runs back, infinite where it is wholly covered. */
    double drainsIn(int c) {
        double free = 1 - coveredShare();
        double own = Math.max(0.8, troubles.drainSeconds[c]);
        return free <= 0.02 ? 1e9 : own / (free * free);
    }

    private double strokeMl(int c) {
        return displacedMl[c];
    }

    /** Share of its stroke that a chamber's piston has used. */
    double usedShare(Chamber chamber) {
        return displacedMl[chamber.ordinal()] / limitMl(chamber);
    }

    // ---- what a chamber swallows

    private double swallowMl(Chamber chamber, double p) {
        if (p <= 0) {
            return 0;
        }
        double ml = 0;
        for (Branch branch : circuit.branches.get(chamber)) {
            ml += Math.min(branchMl(branch, atEnd(branch, p)), lateMl(branch, p));
        }
        for (Component part : circuit.parts.get(chamber)) {
            ml += partMl(part, chamber, p);
        }
        return ml + masterMl(chamber, p);
    }

    /** An end fills late: what it has so far, and at once a part of the rest. */
    private double lateMl(Branch branch, double p) {
        double slow = restrictionSeconds(branch);
        double full = branchMl(branch, atEnd(branch, p));
        double so = filledMl.getOrDefault(branch.end().id(), 0.0);
        double atOnce = slow > 0 ? 0.15 : 0.75;
        return so + Math.max(0, full - so) * atOnce;
    }

    double restrictionSeconds(Branch branch) {
        double seconds = troubles.slowSeconds.getOrDefault(branch.end().id(), 0.0);
        for (Component part : branch.way()) {
            seconds += troubles.slowSeconds.getOrDefault(part.id(), 0.0);
        }
        return seconds;
    }

    /** Pressure that a valve on the way lets through to an end. */
    double atEnd(Branch branch, double p) {
        double at = p;
        for (Component part : branch.way()) {
            if (part instanceof ProportioningValve valve) {
                double knee = valve.kneeBar() * troubles.kneeFactor.getOrDefault(valve.id(), 1.0);
                at = at <= knee ? at : knee + valve.slope() * (at - knee);
            } else if (part instanceof MeteringValve valve) {
                at = at < valve.opensAtBar() * troubles.kneeFactor.getOrDefault(valve.id(), 1.0) ? 0 : at;
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
        double own = nature.ends * nature.ownStiffness(branch.number());
        double area = troubles.pistonFactor.getOrDefault(end.id(), 1.0);
        double clearance = clearanceMl(end, branch.number()) * area;
        double taken = clearance * (1 - Math.exp(-Math.pow(p / takeUpBar(end), 1.5)));
        double soft = (end.softMlPerBar() - end.firmMlPerBar()) * own * 14 * (1 - Math.exp(-p / 14));
        return taken + soft + end.firmMlPerBar() * own * p + air(end, p) + vapourMl(end);
    }

    private double takeUpBar(End end) {
        return end instanceof DiscEnd ? 0.7 : 3.2;
    }

    private double clearanceMl(End end, int number) {
        double factor = nature.clearances * nature.ownClearance(number);
        if (end instanceof DrumEnd drum) {
            double perShoe = drum.clearancePerShoeMm() * factor + troubles.shoesOffMm.getOrDefault(end.id(), 0.0);
            return parkingBrakeOn && drum.parkingBrake()
                    ? drum.clearanceMl(Math.min(perShoe, 0.15))
                    : drum.clearanceMl(perShoe);
        }
        double back = padsHome ? 0 : troubles.pushedBackMm.getOrDefault(end.id(), 0.0);
        return end instanceof DiscEnd disc
                ? disc.pistonAreaMm2() * 2 * (disc.clearancePerPadMm() * factor + back) / 1000
                : 0;
    }

    /** Slave stroke at a pressure, mm: the cover spring is flatter at first than the data sheet's two points. */
    double slaveStrokeMm(Slave slave, double p) {
        double needed = slave.releaseTravelMm() * slave.forkRatio() * nature.releaseNeed;
        double x = p / slave.biteBar();
        double mm = x <= 1
                ? 0.25 * needed * Math.pow(x, 1.25)
                : needed * (0.25 + 0.75 * Math.pow((p - slave.biteBar()) / (slave.fullBar() - slave.biteBar()), 1.1));
        return Math.max(0, Math.min(slave.strokeMm(), mm));
    }

    private double air(Component part, double p) {
        Optional<Chamber> chamber = part instanceof End ? Optional.of(layout.chamberOf(part.id())) : Optional.empty();
        return chamber.map(c -> gas(troubles.air(part.id(), c) + airLetInMl.getOrDefault(part.id(), 0.0), p))
                .orElse(0.0);
    }

    /** Between isothermal and adiabatic: a quick press is stiffer. */
    private static double gas(double ml, double p) {
        return ml <= 0 ? 0 : ml * (1 - Math.pow(AMBIENT_BAR / (AMBIENT_BAR + p), 1 / 1.15));
    }

    private double partMl(Component part, Chamber chamber, double p) {
        double trapped = part instanceof End
                ? 0
                : gas(troubles.air(part.id(), chamber) + 0.5 * airLetInMl.getOrDefault(part.id(), 0.0), p);
        if (part instanceof Hose hose) {
            double swells = nature.hoses * troubles.swelling.getOrDefault(hose.id(), 1.0);
            return trapped + hose.swellMlPerBar() * swells * 30 * Math.log1p(p / 30);
        } else if (part instanceof Pipe pipe) {
            return trapped + FLUID_PER_BAR * pipe.fluidMl() * p;
        } else if (part instanceof Modulator modulator) {
            return trapped + FLUID_PER_BAR * modulator.fluidMl() * p;
        }
        return trapped;
    }

    private double masterMl(Chamber chamber, double p) {
        double ranBack = padsHome ? 0 : troubles.ranBackMl / layout.chambers().size();
        return gas(troubles.air(master.id(), chamber) + lowAirMl(), p) + 0.0025 * p + ranBack * (1 - Math.exp(-p));
    }

    /** Level so low that air is drawn in. */
    private double lowAirMl() {
        return 0.08 * troubles.lowMl;
    }

    /** Vapour where an end is hotter than its fluid boils, mL. */
    private double vapourMl(End end) {
        double boils = 245 - 42 * Math.sqrt(Math.max(0, troubles.waterPercent)) - 6 * troubles.waterPercent;
        double hot = 25 + heatC * 0.75 + (heatC > 60 ? 25 : 0);
        return Math.max(0, hot - boils) * 0.06 * end.fluidMl() / 20;
    }

    // ---- time

    /** Ends fill, hoses and seals give slowly. */
    private void give(double seconds) {
        for (Chamber chamber : layout.chambers()) {
            int c = chamber.ordinal();
            double p = bar[c];
            double swallowed = 0;
            for (Branch branch : circuit.branches.get(chamber)) {
                double full = branchMl(branch, atEnd(branch, p));
                double tau =
                        nature.fillSeconds * (branch.end() instanceof DrumEnd ? 3 : 1) + restrictionSeconds(branch);
                double share = 1 - Math.exp(-seconds / tau);
                filledMl.merge(branch.end().id(), full * share, (so, first) -> so + (full - so) * share);
                swallowed += full;
            }
            double elastic = 0.6 * swallowed;
            quickMl[c] += (nature.quickShare * elastic - quickMl[c]) * (1 - Math.exp(-seconds / nature.quickSeconds));
            slowMl[c] += (nature.slowShare * elastic - slowMl[c]) * (1 - Math.exp(-seconds / nature.slowSeconds));
        }
        if (booster.running() && footN > 0) {
            double creepMl = nature.runningCreepMm / input.ratioAtRest() * areaMm2 / 1000;
            runningMl += (creepMl - runningMl) * (1 - Math.exp(-seconds / nature.runningCreepSeconds));
        }
    }

    private double flow(double mlPerMinAtReference, double p, double exponent) {
        return p < 0.3 ? 0 : mlPerMinAtReference / 60 * Math.pow(p / REFERENCE_BAR, exponent);
    }

    private void leak(double seconds) {
        for (ByPass leak : troubles.byPasses) {
            int c = leak.cup().loses().ordinal();
            double exponent = 0.5 * leak.pressureExponent() + 0.5 * nature.leakExponent;
            double stroke =
                    displacedMl[leak.cup() == overturn.suspect.Fault.Cup.PRIMARY_PISTON ? 0 : 1] * 1000 / areaMm2
                            + (leak.cup() == overturn.suspect.Fault.Cup.PRIMARY_PISTON && master.tandem()
                                    ? displacedMl[1] * 1000 / areaMm2
                                    : 0);
            double ml = flow(leak.mlPerMinAt20Bar() * nature.leakFactor, bar[c], exponent)
                    * zone(stroke, leak.zoneFromMm(), leak.zoneToMm())
                    * (1 + 0.006 * heatC)
                    * seconds;
            double gone = lose(c, ml);
            compartmentMl[leak.cup().compartment().ordinal()] += gone;
        }
        for (OutwardLeak leak : troubles.leaks) {
            int c = leak.chamber().ordinal();
            if (bar[c] > leak.opensAtBar() && circuit.reaches(leak.chamber(), leak.componentId())) {
                lose(c, flow(leak.mlPerMinAt20Bar() * nature.leakFactor, bar[c], nature.leakExponent) * seconds);
            }
        }
        Optional<Modulator> modulator = layout.modulator();
        for (ReleaseValvePassing valve : troubles.releaseValves) {
            int c = valve.chamber().ordinal();
            if (modulator.isPresent()
                    && circuit.reaches(valve.chamber(), modulator.get().id())) {
                double rate = flow(valve.mlPerMinAt20Bar() * nature.releaseValveFactor, bar[c], 1);
                double room = modulator.get().closedChamberMl() - closedMl[c];
                closedMl[c] += lose(c, Math.min(rate * seconds, Math.max(0, room)));
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
        if (!layout.chambers().contains(chamber)) {
            return 0;
        }
        double room = Math.max(0, limitMl(chamber) - displacedMl[c]);
        double pressing = Math.max(room, bar[c] > 0.3 ? 0.02 : 0);
        double gone = Math.min(ml, pressing);
        outMl[c] += gone;
        return gone;
    }

    private void release(double seconds) {
        for (Chamber chamber : layout.chambers()) {
            int c = chamber.ordinal();
            double pressed = bar[c];
            double inEnds = comesBackSlowlyMl(chamber, pressed);
            double airMl = airOf(chamber);
            double comesBackIn = nature.returnSeconds * (1 + 0.25 * Math.min(4, airMl));
            double late = (inEnds + keptMl[c]) * Math.exp(-seconds / comesBackIn);
            keptMl[c] = footN > 0 || keptMl[c] > 0 ? nature.drawnShare * late : 0;
            double drain = drainsIn(c);
            if (drain > 3 && pressed > 1) {
                trappedMl[c] += Nature.between(random, 0.08, 0.25) * Math.min(1, pressed / REFERENCE_BAR);
            }
            trappedMl[c] *= Math.exp(-seconds / drain);
            if (circuit.open.get(chamber)) {
                trappedMl[c] = 0;
                keptMl[c] = 0;
            }
            for (ReleaseValvePassing valve : troubles.releaseValves) {
                if (valve.chamber() == chamber) {
                    closedMl[c] *= Math.exp(-seconds / valve.leakBackSeconds());
                }
            }
            outMl[c] = 0;
            letOutMl[c] = 0;
            quickMl[c] *= Math.exp(-seconds / nature.quickSeconds);
            slowMl[c] *= Math.exp(-seconds / nature.slowSeconds);
            for (Branch branch : circuit.branches.get(chamber)) {
                double slow = nature.returnSeconds + restrictionSeconds(branch);
                filledMl.computeIfPresent(branch.end().id(), (id, so) -> so * Math.exp(-seconds / slow));
            }
        }
        runningMl *= Math.exp(-seconds / 20);
        padsHome |= footN > 0;
        if (footN > 0) {
            booster.released();
        }
        footN = 0;
        askedN = 0;
        bar[0] = 0;
        bar[1] = 0;
        displacedMl[0] = 0;
        displacedMl[1] = 0;
        travelMm = 0;
        for (double t = 0; t < seconds; t += LONG_STEP) {
            booster.step(Math.min(LONG_STEP, seconds - t), 0, 0);
        }
    }

    /**
     * What comes back slowly when the pedal is let go: the roll-back of seals and shoes, a part of what air takes; what
     * is under pressure to the last, as behind a clutch's cover spring, comes at once.
     */
    private double comesBackSlowlyMl(Chamber chamber, double pressed) {
        if (pressed <= 0) {
            return 0;
        }
        double ml = 0.6 * gas(airOf(chamber), pressed);
        for (Branch branch : circuit.branches.get(chamber)) {
            ml += branch.end() instanceof Slave slave
                    ? 0.08 * slave.areaMm2() * slaveStrokeMm(slave, pressed) / 1000
                    : 0.8 * clearanceMl(branch.end(), branch.number());
        }
        return ml;
    }

    private double airOf(Chamber chamber) {
        double ml = lowAirMl();
        for (Component part : circuit.parts.get(chamber)) {
            ml += troubles.air(part.id(), chamber);
        }
        return ml + troubles.air(master.id(), chamber);
    }

    private void heat(double byC) {
        heatC += byC;
        for (Chamber chamber : layout.chambers()) {
            int c = chamber.ordinal();
            if (drainsIn(c) > 3 && !circuit.open.get(chamber)) {
                double fluid = circuit.branches.get(chamber).stream()
                        .mapToDouble(b -> b.end().fluidMl())
                        .sum();
                trappedMl[c] += 0.0008 * byC * Math.min(60, fluid) * Math.min(1, drainsIn(c) / 300);
            }
        }
    }

    private void stand(double seconds) {
        release(Math.min(seconds, 60));
        for (int c = 0; c < 2; c++) {
            keptMl[c] = 0;
            trappedMl[c] *= Math.exp(-seconds / drainsIn(c));
        }
        padsHome = padsHome && seconds < 3600;
        heatC *= Math.exp(-seconds / 1800);
        booster.step(seconds, 0, 0);
    }

    /** Pressure left at an end with the pedal up, bar. */
    double residualBar(Branch branch, Chamber chamber) {
        if (circuit.open.get(chamber)
                || circuit.crackedEnds.contains(branch.end().id())) {
            return 0;
        }
        int c = chamber.ordinal();
        double fromRest = circuit.has(Isolation.MASTER_LOOSE)
                ? 0
                : Math.max(0, 10 * (booster.restingN() - master.springsN() * nature.springs) / areaMm2);
        double stuck =
                Math.max(0, 10 * (troubles.pistonFrictionN - 0.6 * master.springsN() * nature.springs) / areaMm2);
        double trapped = trappedBar(chamber, trappedMl[c]);
        double shut = troubles.shutBarWhenWarm * Math.min(1, heatC / 40);
        double valve = troubles.residualMissing ? 0 : master.residualValveBar() + troubles.unwantedResidualBar;
        double flap = 0;
        for (Component part : branch.way()) {
            flap = Math.max(flap, troubles.flapBar.getOrDefault(part.id(), 0.0));
        }
        return Math.max(Math.max(Math.max(fromRest, stuck), Math.max(trapped, shut)), Math.max(valve, flap));
    }

    /** Trapped fluid first takes the roll-back of the seals, then makes pressure. */
    private double trappedBar(Chamber chamber, double ml) {
        double rollBack = 0;
        double stiff = 0.004;
        for (Branch branch : circuit.branches.get(chamber)) {
            rollBack += 0.35 * clearanceMl(branch.end(), branch.number());
            stiff += branch.end().softMlPerBar() * nature.ends;
        }
        return Math.max(0, ml - rollBack) / stiff;
    }

    List<Branch> allBranches() {
        return layout.chambers().stream()
                .flatMap(c -> circuit.branches.get(c).stream())
                .toList();
    }

    Branch branch(String endId) {
        Circuitry whole = new Circuitry(layout, overturn.circuit.CutSet.NONE);
        return whole.branches.values().stream()
                .flatMap(List::stream)
                .filter(b -> b.end().id().equals(endId))
                .findFirst()
                .orElseThrow();
    }
}
