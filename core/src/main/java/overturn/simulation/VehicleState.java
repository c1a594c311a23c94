package overturn.simulation;

import java.util.List;
import overturn.circuit.Chamber;
import overturn.circuit.Component.DrumEnd;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pedal;
import overturn.circuit.Component.Reservoir;
import overturn.circuit.Component.TandemMaster;
import overturn.circuit.Component.VacuumAssist;
import overturn.circuit.CutSet;
import overturn.circuit.Layout;
import overturn.suspect.Fault;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.HiddenWeep;
import overturn.suspect.Fault.LowSupply;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;
import overturn.suspect.Fault.RodGap;
import overturn.suspect.Fault.TrappedAir;

/** The vehicle while a protocol is run: what is pressed, how long, what has leaked where. Lives for one run only. */
final class VehicleState {

    private static final int CHAMBERS = Chamber.values().length;
    /** Width of the edge of a worn zone, mm; estimate. */
    private static final double ZONE_EDGE_MM = 0.5;
    /** Below this pressure a lip is not pressed on and passes in proportion, bar; estimate. */
    private static final double LIP_SEATED_BAR = 3;
    /** Time constant of the foot sinking while the assist builds up, s; estimate. */
    private static final double RUNNING_CREEP_SECONDS = 20;
    /** Minutes of braking at about 20 bar in a day's round; estimate. */
    private static final double PRESSED_MINUTES_PER_DAY = 10;
    private static final double ASSISTED_LASH_SHARE = 0.2;
    private static final double FLOW_REFERENCE_BAR = 20;

    private final Layout layout;
    private final VehicleUnknowns vehicle;
    private final List<Fault> faults;
    private final Pedal pedal;
    private final VacuumAssist assist;
    private final TandemMaster master;
    private final double boreMm2;
    private final double[] strokeLimitMm;

    private final ChamberLoad[] loads = new ChamberLoad[CHAMBERS];
    private final double[] swallowedMl = new double[CHAMBERS];
    private final double[] elasticMl = new double[CHAMBERS];
    private final double[] lostMl = new double[CHAMBERS];
    private final double[] letOutMl = new double[CHAMBERS];
    private final double[] keptMl = new double[CHAMBERS];
    private final double[] compartmentMl = new double[CHAMBERS];
    private final double[] markedCompartmentMl = new double[CHAMBERS];
    private final double[] closedChamberMl = new double[CHAMBERS];
    private Section section;

    private boolean engineRunning;
    private boolean parkingBrakeOn;
    private double forceN;
    private double pressureBar;
    private double heldSeconds;
    private double runningSeconds;
    private double markedTravelMm;

    VehicleState(Layout layout, VehicleUnknowns vehicle, List<Fault> faults, Section section) {
        this.layout = layout;
        this.vehicle = vehicle;
        this.faults = faults;
        this.pedal = layout.only(Pedal.class);
        this.assist = layout.only(VacuumAssist.class);
        this.master = layout.only(TandemMaster.class);
        this.boreMm2 = master.areaMm2();
        this.strokeLimitMm = new double[] {master.primaryStrokeMm(), master.secondaryStrokeMm()};
        recut(section);
    }

    void recut(Section newSection) {
        section = newSection;
        for (Chamber chamber : Chamber.values()) {
            loads[chamber.ordinal()] = ChamberLoad.of(layout, newSection, chamber, vehicle, faults);
        }
    }

    void startEngine() {
        engineRunning = true;
        runningSeconds = 0;
        settlePressure();
    }

    void parkingBrake(boolean on) {
        parkingBrakeOn = on;
    }

    void press(double askedForceN) {
        forceN = askedForceN * vehicle.forceBias();
        heldSeconds = 0;
        runningSeconds = 0;
        settlePressure();
    }

    private void settlePressure() {
        double rodN = pedal.ratio() * forceN;
        double outputN = rodN - master.springsN() * vehicle.springs() + (engineRunning ? assistN(rodN) : 0);
        pressureBar = Math.max(0, 10 * outputN / boreMm2);
        for (int c = 0; c < CHAMBERS; c++) {
            swallowedMl[c] = loads[c].swallowedMl(pressureBar, parkingBrakeOn);
            elasticMl[c] = loads[c].elasticMl(pressureBar);
        }
    }

    private double assistN(double rodN) {
        if (rodN < assist.thresholdN()) {
            return 0;
        }
        double asked = assist.jumpInN() + (assist.gain() * vehicle.assistGain() - 1) * (rodN - assist.thresholdN());
        return Math.max(0, Math.min(asked, supplyKpa() * assist.effectiveAreaMm2() / 1000));
    }

    private double supplyKpa() {
        double kpa = assist.supplyKpa() * vehicle.supply();
        for (Fault fault : faults) {
            if (fault instanceof LowSupply low) {
                kpa *= low.share();
            }
        }
        return kpa;
    }

    void hold(int seconds) {
        for (int second = 0; second < seconds; second++) {
            heldSeconds++;
            if (engineRunning) {
                runningSeconds++;
            }
            for (Fault fault : faults) {
                leak(fault);
            }
        }
    }

    private void leak(Fault fault) {
        if (fault instanceof ByPass cup) {
            leakPast(cup);
        } else if (fault instanceof OutwardLeak leak) {
            if (section.reaches(leak.chamber(), leak.componentId()) && pressureBar > leak.opensAtBar()) {
                lose(leak.chamber().ordinal(), perSecond(leak.mlPerMinAt20Bar()) * pressureBar / FLOW_REFERENCE_BAR);
            }
        } else if (fault instanceof ReleaseValvePassing valve) {
            fillClosedChamber(valve);
        }
    }

    private static double perSecond(double mlPerMin) {
        return mlPerMin / 60;
    }

    private void leakPast(ByPass cup) {
        double ml = perSecond(cup.mlPerMinAt20Bar())
                * Math.pow(Math.max(pressureBar, 0.01) / FLOW_REFERENCE_BAR, cup.pressureExponent())
                * Math.min(1, pressureBar / LIP_SEATED_BAR)
                * inZone(cup);
        double passed = lose(cup.cup().loses().ordinal(), ml);
        compartmentMl[cup.cup().compartment().ordinal()] += passed;
    }

    private double inZone(ByPass cup) {
        double secondMm = strokeMm(Chamber.SECONDARY.ordinal());
        double cupMm = cup.cup() == Fault.Cup.PRIMARY_PISTON ? secondMm + strokeMm(Chamber.PRIMARY.ordinal()) : secondMm;
        double entered = cup.zoneFromMm() <= 0 ? 1 : (cupMm - cup.zoneFromMm()) / ZONE_EDGE_MM;
        double left = (cup.zoneToMm() - cupMm) / ZONE_EDGE_MM;
        return Math.max(0, Math.min(1, Math.min(entered, left)));
    }

    private void fillClosedChamber(ReleaseValvePassing valve) {
        Modulator modulator = layout.only(Modulator.class);
        if (!section.reaches(valve.chamber(), modulator.id())) {
            return;
        }
        int c = valve.chamber().ordinal();
        double ml = perSecond(valve.mlPerMinAt20Bar()) * pressureBar / FLOW_REFERENCE_BAR;
        closedChamberMl[c] += lose(c, Math.min(ml, modulator.closedChamberMl() - closedChamberMl[c]));
    }

    /** Takes fluid from a chamber while its piston can still follow; returns what was really lost, mL. */
    private double lose(int chamber, double ml) {
        if (strokeMm(chamber) >= strokeLimitMm[chamber] || atFloor()) {
            return 0;
        }
        lostMl[chamber] += ml;
        return ml;
    }

    void release(double seconds) {
        for (int c = 0; c < CHAMBERS; c++) {
            keptMl[c] = loads[c].lingeringMl(pressureBar, parkingBrakeOn) * Math.exp(-seconds / vehicle.returnSeconds());
            compartmentMl[c] -= lostMl[c];
            lostMl[c] = 0;
            letOutMl[c] = 0;
        }
        for (Fault fault : faults) {
            if (fault instanceof ReleaseValvePassing valve) {
                int c = valve.chamber().ordinal();
                double back = closedChamberMl[c] * (1 - Math.exp(-seconds / valve.leakBackSeconds()));
                closedChamberMl[c] -= back;
                compartmentMl[c] += back;
            }
        }
        forceN = 0;
        settlePressure();
    }

    void letOut(Chamber chamber, double pistonMm) {
        letOutMl[chamber.ordinal()] = pistonMm * boreMm2 / 1000;
    }

    void mark() {
        markedTravelMm = travelMm();
        System.arraycopy(compartmentMl, 0, markedCompartmentMl, 0, CHAMBERS);
    }

    private double strokeMm(int chamber) {
        double creepMl = elasticMl[chamber] * vehicle.creepPerDecade() * Math.log10(1 + heldSeconds);
        if (engineRunning) {
            creepMl += swallowedMl[chamber] * vehicle.runningCreep() * (1 - Math.exp(-runningSeconds / RUNNING_CREEP_SECONDS));
        }
        double ml = swallowedMl[chamber] + creepMl + lostMl[chamber] + letOutMl[chamber] - keptMl[chamber];
        return Math.max(0, Math.min(strokeLimitMm[chamber], 1000 * ml / boreMm2));
    }

    private boolean atFloor() {
        return travelMm() >= pedal.travelToFloorMm();
    }

    double travelMm() {
        double rodN = pedal.ratio() * forceN;
        double takenUp = Math.min(1, rodN / (master.springsN() * vehicle.springs()));
        double rodMm = takenUp * lostMotionMm() + strokeMm(0) + strokeMm(1);
        return Math.min(pedal.travelToFloorMm(), pedal.ratio() * rodMm);
    }

    private double lostMotionMm() {
        return Math.max(0.5, soundFreePlayMm() / pedal.ratio() + master.portTravelMm() + vehicle.lostMotionMm()
                + assist.valveLashMm() * (engineRunning ? ASSISTED_LASH_SHARE : 1)) + rodGapMm();
    }

    private double soundFreePlayMm() {
        return pedal.freePlayMm() * vehicle.freePlay();
    }

    private double rodGapMm() {
        double mm = 0;
        for (Fault fault : faults) {
            if (fault instanceof RodGap gap) {
                mm += gap.extraMm();
            }
        }
        return mm;
    }

    double sensed(Act.Sensed quantity) {
        return switch (quantity) {
            case TRAVEL_MM -> travelMm();
            case SINK_MM -> travelMm() - markedTravelMm;
            case PRIMARY_LEVEL_MM -> levelRiseMm(Chamber.PRIMARY);
            case SECONDARY_LEVEL_MM -> levelRiseMm(Chamber.SECONDARY);
            case PRESSURE_BAR -> pressureBar;
            case FREE_PLAY_MM -> soundFreePlayMm() + rodGapMm() * pedal.ratio();
            case SUPPLY_KPA -> supplyKpa();
            case OUTSIDE_LOSS_ML_PER_DAY -> outsideLossMlPerDay();
            case HIDDEN_LOSS_ML_PER_DAY -> hiddenLossMlPerDay();
            case REAR_AIR_ML -> rearAirMl();
        };
    }

    private double levelRiseMm(Chamber chamber) {
        int c = chamber.ordinal();
        double areaMm2 = layout.only(Reservoir.class).levelAreaMm2PerHalf() * vehicle.levelArea();
        return 1000 * (compartmentMl[c] - markedCompartmentMl[c]) / areaMm2;
    }

    private double outsideLossMlPerDay() {
        double ml = 0;
        for (Fault fault : faults) {
            if (fault instanceof OutwardLeak leak) {
                ml += leak.mlPerMinAt20Bar() * PRESSED_MINUTES_PER_DAY * (leak.opensAtBar() > FLOW_REFERENCE_BAR ? 0.5 : 1);
            }
        }
        return ml;
    }

    private double hiddenLossMlPerDay() {
        double ml = 0;
        for (Fault fault : faults) {
            if (fault instanceof HiddenWeep weep) {
                ml += weep.mlPerDay();
            }
        }
        return ml;
    }

    private double rearAirMl() {
        double ml = 0;
        for (Fault fault : faults) {
            if (fault instanceof TrappedAir air && layout.component(air.componentId()) instanceof DrumEnd) {
                ml += air.ml();
            }
        }
        return ml;
    }
}
