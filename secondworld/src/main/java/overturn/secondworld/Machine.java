package overturn.secondworld;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import overturn.circuit.Chamber;
import overturn.circuit.Component.Master;
import overturn.circuit.CutSet;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Input;
import overturn.circuit.Isolation;
import overturn.circuit.Layout;
import overturn.protocol.Act;
import overturn.secondworld.Circuitry.Branch;
import overturn.suspect.Fault.Rod;

/**
 * One vehicle while a test is done on it, in steps of time. The foot makes its force within its pace; friction holds
 * the pistons between what lets them go on and what lets them come back; each end fills late and gives slowly; leaks
 * follow a law of their own.
 */
final class Machine {

    private static final double STEP = 0.1;
    private static final double LONG_STEP = 0.5;
    private static final double USUAL_FRICTION_N = 28;
    /** A hand or foot that presses until the stop, N. */
    private static final double TO_STOP_N = 3_000;

    final Layout layout;
    final Nature nature;
    Troubles troubles;
    final Master master;
    final Input input;
    final Booster booster;
    final RandomGenerator random;
    double areaMm2;
    private final Circuitry whole;
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
    /** The part of it that came with warmth and goes with it, mL. */
    final double[] swollenMl = new double[2];

    final double[] closedMl = new double[2];
    final double[] compartmentMl = new double[2];
    final double[] markedCompartmentMl = new double[2];
    boolean padsHome;
    final double[] outMl = new double[2];
    final double[] letOutMl = new double[2];
    final double[] quickMl = new double[2];
    final double[] slowMl = new double[2];
    double runningMl;
    private double fromN;
    private double makingSeconds;
    private double madeSeconds;
    final double[] displacedMl = new double[2];
    final Map<String, Double> filledMl = new HashMap<>();
    final Map<String, Double> airLetInMl = new HashMap<>();
    private final Swallowing fluid = new Swallowing(this);
    private final Leaking leaking = new Leaking(this);
    final Rest rest;

    Machine(Layout layout, Nature nature, Troubles troubles, RandomGenerator random, Carried before) {
        this.layout = layout;
        this.nature = nature;
        this.troubles = troubles;
        this.random = random;
        this.rest = new Rest(this);
        this.whole = new Circuitry(layout, CutSet.NONE);
        this.circuit = whole;
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

    /** What is wrong with it changes; what is pressed or trapped stays. */
    void become(Troubles now) {
        troubles = now;
        booster.become(now);
        areaMm2 = master.areaMm2() * now.boreFactor;
    }

    /** What runs out to the outside while it is pressed, mL/min. */
    double drips() {
        return footN > 0 ? leaking.dripMlPerMinute() : 0;
    }

    Carried carried() {
        double[] coldMl = {trappedMl[0] - swollenMl[0], trappedMl[1] - swollenMl[1]};
        return new Carried(padsHome, coldMl, closedMl.clone());
    }

    void cut(Circuitry now) {
        for (String joint : circuit.cuts.opened()) {
            airLetInMl.merge(layout.joint(joint).from(), Nature.between(random, 0.1, 0.6), Double::sum);
        }
        refit(now);
    }

    /** Another circuit from here on, whatever the work let in. */
    void refit(Circuitry now) {
        circuit = now;
        booster.vent(now.has(Isolation.SUPPLY_VENTED));
        for (int c = 0; c < 2; c++) {
            boolean opened = now.isOpen(Chamber.values()[c]);
            if (opened || rest.runsBackAtOnce(c)) {
                rest.leaveNothing(c);
            }
            closedMl[c] = now.cuts.closed().isEmpty() ? closedMl[c] : 0;
        }
    }

    void act(Act act) {
        if (act instanceof Act.StartEngine) {
            booster.run(true);
        } else if (act instanceof Act.StopEngine) {
            booster.run(false);
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
            rest.heat(heat.byC());
        } else if (act instanceof Act.Stand stand) {
            release(Math.min(stand.seconds(), 60));
            rest.stand(stand.seconds());
        } else if (act instanceof Act.Drive) {
            padsHome = false;
        } else if (act instanceof Act.Recut recut) {
            release(0);
            cut(new Circuitry(layout, recut.cuts()));
        } else if (act instanceof Act.LetOut out) {
            int c = out.chamber().ordinal();
            letOutMl[c] += Math.max(0, out.strokeMm() * areaMm2 / 1000 - displacedMl[c]);
            settle(true);
        } else if (act instanceof Act.Mark) {
            markedTravelMm = travelMm;
            for (int c = 0; c < 2; c++) {
                markedCompartmentMl[c] = compartmentMl[c];
            }
        } else {
            throw new IllegalArgumentException("The second world cannot do " + act);
        }
    }

    private void press(double forceN) {
        beginPress(forceN);
        while (pressing()) {
            advance(STEP);
        }
    }

    /** A foot or hand is asked for a force and makes it, as it can, within its pace. */
    void beginPress(double forceN) {
        bear(forceN * nature.person * (1 + nature.pressSpread * random.nextGaussian()), nature.paceSeconds);
    }

    /** A force is made within some seconds; with none the pedal is let go. */
    void bear(double forceN, double withinSeconds) {
        if (forceN <= 0) {
            rest.letGo();
            return;
        }
        fromN = footN;
        askedN = forceN;
        makingSeconds = withinSeconds;
        madeSeconds = 0;
        heldSeconds = 0;
    }

    /** Whether the force that was asked for is still being made. */
    boolean pressing() {
        return askedN > 0 && madeSeconds < makingSeconds;
    }

    private void hold(double seconds) {
        double step = seconds > 5 ? LONG_STEP : STEP;
        for (double t = 0; t < seconds - 1e-9; t += step) {
            advance(step);
        }
    }

    private void release(double seconds) {
        rest.letGo();
        for (double t = 0; t < seconds - 1e-9; t += LONG_STEP) {
            advance(Math.min(LONG_STEP, seconds - t));
        }
    }

    /** Time passes: a foot makes its force or tires under it; with no foot there, all comes to rest. */
    void advance(double seconds) {
        if (askedN <= 0) {
            rest.pass(seconds);
            return;
        }
        if (pressing()) {
            madeSeconds += seconds;
            footN = fromN + (askedN - fromN) * Math.min(1, madeSeconds / makingSeconds);
        } else {
            heldSeconds += seconds;
            footN = askedN * (1 - nature.fadeShare * (1 - Math.exp(-heldSeconds / 40)));
        }
        step(seconds);
    }

    private void step(double seconds) {
        double rodN = footN * ratio();
        booster.step(seconds, footN > 0 ? rodN : 0, rodMm());
        give(seconds);
        leaking.step(seconds);
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
            if (circuit.isOpen(chamber)) {
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
            ml += Math.min(displacedMl[chamber.ordinal()], fluid.swallowMl(chamber, Master.FAST_FILL_BAR));
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

    double limitMl(Chamber chamber) {
        return areaMm2 * (chamber == Chamber.PRIMARY ? master.primaryStrokeMm() : master.secondaryStrokeMm()) / 1000;
    }

    /** Fluid that a chamber's piston must have pushed out at a pressure, mL. */
    private double demandMl(Chamber chamber, double p) {
        int c = chamber.ordinal();
        return fluid.swallowMl(chamber, p)
                + quickMl[c]
                + slowMl[c]
                + outMl[c]
                + letOutMl[c]
                + (c == 0 ? runningMl : 0)
                - Math.min(keptMl[c] + trappedMl[c], fluid.swallowMl(chamber, p));
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

    /** How far rods and screws push in at rest, mm at the rod. */
    double pushedInMm() {
        return pushedBeforeMm() + (circuit.has(Isolation.MASTER_LOOSE) ? 0 : troubles.proudOfAssistMm());
    }

    /** Of it what pedal or lever pushes, which a lifted pedal takes away, mm at the rod. */
    double pushedBeforeMm() {
        double before = troubles.pushedIn(Rod.PEDAL_ROD)
                + troubles.pushedIn(Rod.LEVER_BUSH)
                + troubles.pushedIn(Rod.REACH_SCREW)
                + troubles.pushedIn(Rod.PEDAL_STOP);
        double turnedBack = circuit.has(Isolation.ROD_TURNED_BACK) ? nature.halfTurnMm : 0;
        boolean away = circuit.has(Isolation.PEDAL_LIFTED) || circuit.has(Isolation.MASTER_LOOSE);
        return away ? 0 : Math.max(0, before - turnedBack);
    }

    /**
     * How far the pedal or lever itself stands off its rest, mm at the rod: what lights a switch beside its arm. A rod
     * that is too long pushes the piston and leaves the pedal on its stop; behind an assist a piston may hang alone.
     */
    double heldOffRestMm() {
        double heldDown = circuit.has(Isolation.PEDAL_LIFTED) ? 0 : troubles.pushedIn(Rod.PEDAL_STOP);
        double hangs = troubles.inputSlowSeconds > 1.2 ? 2.5 : 0;
        double pistonHangs =
                !booster.there() && troubles.pistonFrictionN > master.springsN() * nature.springs ? 2.5 : 0;
        return heldDown + hangs + pistonHangs;
    }

    /**
     * Share of the holes that stays covered at rest, 0 to 1: the pedal's play is before the assist, not behind it, and
     * what is held in pushes rods that are too long back into the bulkhead.
     */
    double coveredShare(double heldBar) {
        double givesMm = nature.bulkheadMmPerKn * heldBar * areaMm2 / 10_000;
        double play = input.freePlayMm() * nature.freePlay / input.ratioAtRest() + 0.6 * master.portTravelMm();
        double beyond = Math.max(0, pushedBeforeMm() - play)
                + Math.max(0, pushedInMm() - pushedBeforeMm() - nature.outputGapMm);
        double pushed =
                !circuit.has(Isolation.MASTER_LOOSE) && booster.restingN() > master.springsN() * nature.springs ? 1 : 0;
        double stuck = troubles.pistonFrictionN > 0.6 * master.springsN()
                ? Math.min(1, troubles.pistonFrictionN / master.springsN() - 0.5)
                : 0;
        return Math.max(Math.max(pushed, stuck), Math.max(0, Math.min(1, (beyond - givesMm) / 0.8)));
    }

    /** The same with nothing held in. */
    double coveredShare() {
        return coveredShare(0);
    }

    /** Share of its stroke that a chamber's piston has used. */
    double usedShare(Chamber chamber) {
        return displacedMl[chamber.ordinal()] / limitMl(chamber);
    }

    /** Ends fill, hoses and seals give slowly. */
    private void give(double seconds) {
        for (Chamber chamber : layout.chambers()) {
            int c = chamber.ordinal();
            double p = bar[c];
            double swallowed = 0;
            for (Branch branch : circuit.branches(chamber)) {
                double full = fluid.branchMl(branch, fluid.atEnd(branch, p));
                double tau = nature.fillSeconds * (branch.end() instanceof DrumEnd ? 3 : 1)
                        + fluid.restrictionSeconds(branch);
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

    Swallowing fluid() {
        return fluid;
    }

    List<Branch> allBranches() {
        return layout.chambers().stream()
                .flatMap(c -> circuit.branches(c).stream())
                .toList();
    }

    /** An end with its way from the master, whatever is cut. */
    Branch branch(String endId) {
        return layout.chambers().stream()
                .map(whole::branches)
                .flatMap(List::stream)
                .filter(b -> b.end().id().equals(endId))
                .findFirst()
                .orElseThrow();
    }
}
