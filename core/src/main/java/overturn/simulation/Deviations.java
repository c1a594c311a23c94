package overturn.simulation;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Chamber;
import overturn.suspect.Fault;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;
import overturn.suspect.Fault.Rod;

/** All faults of one vehicle summed up into the quantities that the physics asks for. Built once per run. */
final class Deviations {

    /** Half a turn of a rod's thread, M8 of 1.25 mm pitch (docs/trade-figures.md). */
    private static final double HALF_TURN_MM = 0.6;

    /** No end and no hose; definition. */
    private static final double[] NOWHERE = new double[0];

    double[][] airMl = {NOWHERE, NOWHERE};
    double[] swellFactor = NOWHERE;
    double[] extraShoeMm = NOWHERE;
    double[] pushedBackMm = NOWHERE;
    double[] mechanicalDragNm = NOWHERE;
    double[] clampingLost = NOWHERE;
    double[] liningLost = NOWHERE;
    double[] screwBelow = NOWHERE;
    double[] pistonFactor = NOWHERE;
    double[] restrictionSeconds = NOWHERE;
    double slowLineSeconds;
    double[] flapBar = NOWHERE;
    double[] kneeFactor = NOWHERE;

    final List<ByPass> byPasses = new ArrayList<>(2);
    final List<OutwardLeak> outward = new ArrayList<>(2);
    final List<ReleaseValvePassing> releaseValves = new ArrayList<>(2);
    final double[] lostMotionMm = new double[Rod.values().length];
    final double[] preLoadMm = new double[Rod.values().length];
    final double[] holeDrainSeconds = new double[Chamber.values().length];
    final double[] bindsNm = new double[Binds.values().length];
    final double[] drainBackMl = new double[Chamber.values().length];
    double bindingSeconds;
    double bindingN;
    double flexMmPerKn;
    double ratioFactor = 1;
    boolean lampWrong;
    double supplyShare = 1;
    double recoveryFactor = 1;
    double leakAtHose;
    double leakAtRest;
    double leakAtJoint;
    boolean checkValveLeaks;
    double leakPressed;
    double emptySeconds = Double.POSITIVE_INFINITY;
    double emptySecondsByValve = Double.POSITIVE_INFINITY;
    double emptySecondsPressed = Double.POSITIVE_INFINITY;
    boolean checkValveShut;
    double stuckN;
    double assistFactor = 1;
    double assistProudMm;
    boolean wrongAssist;
    double reserveShare = 1;
    double returnShare;
    double returnSeconds;
    double assistAirMm;
    double assistLossMl;
    double footwellLossMl;
    double hiddenWeepMl;
    double stickingN;
    double stickingSeconds;
    double boreFactor = 1;
    double unwantedResidualBar;
    boolean residualMissing;
    double reservoirShutBar;
    boolean reservoirToTheBrim;
    boolean portsCrossed;
    double modulatorShare;
    double forkWearMm;
    double extraReleaseMm;
    double waterPercent = 1;
    boolean wrongFluid;
    double fluidLowMl;

    private final Plant plant;

    private Deviations(Plant plant) {
        this.plant = plant;
    }

    static Deviations of(Plant plant, List<Fault> faults) {
        Deviations all = new Deviations(plant);
        for (int i = 0; i < faults.size(); i++) {
            all.take(faults.get(i));
        }
        return all;
    }

    static double at(double[] values, int part) {
        return values.length == 0 ? 0 : values[part];
    }

    static double factorAt(double[] values, int part) {
        return values.length == 0 || values[part] == 0 ? 1 : values[part];
    }

    private double[] add(double[] values, String id, double value) {
        double[] wide = values.length == 0 ? new double[plant.parts.length] : values;
        wide[plant.number(id)] += value;
        return wide;
    }

    private double[] multiply(double[] values, String id, double factor) {
        double[] wide = values.length == 0 ? new double[plant.parts.length] : values;
        int part = plant.number(id);
        wide[part] = (wide[part] == 0 ? 1 : wide[part]) * factor;
        return wide;
    }

    private void take(Fault fault) {
        if (!takenAtInputOrMaster(fault) && !takenAtAssist(fault) && !takenAtLinesOrEnds(fault)) {
            throw new IllegalStateException("Impossible: no physics for " + fault);
        }
    }

    private boolean takenAtInputOrMaster(Fault fault) {
        if (fault instanceof ByPass byPass) {
            byPasses.add(byPass);
        } else if (fault instanceof Fault.LostMotion lost) {
            lostMotionMm[lost.where().ordinal()] += lost.extraMm();
        } else if (fault instanceof Fault.PreLoad preLoad) {
            preLoadMm[preLoad.where().ordinal()] += preLoad.mm();
        } else if (fault instanceof Fault.InputBinding binding) {
            bindingSeconds += binding.extraReturnSeconds();
            bindingN += binding.frictionN();
        } else if (fault instanceof Fault.BracketFlex flex) {
            flexMmPerKn += flex.mmPerKn();
        } else if (fault instanceof Fault.WrongRatio ratio) {
            ratioFactor *= ratio.factor();
        } else if (fault instanceof Fault.LampSwitchWrong) {
            lampWrong = true;
        } else if (fault instanceof Fault.HiddenWeep weep) {
            hiddenWeepMl += weep.mlPerDay();
        } else if (fault instanceof Fault.CloggedHole hole) {
            holeDrainSeconds[hole.chamber().ordinal()] = hole.drainSeconds();
        } else if (fault instanceof Fault.PistonSticking sticking) {
            stickingN += sticking.frictionN();
            stickingSeconds += sticking.extraReturnSeconds();
        } else if (fault instanceof Fault.WrongBore bore) {
            boreFactor *= bore.areaFactor();
        } else if (fault instanceof Fault.ResidualValveWrong valve) {
            unwantedResidualBar += valve.unwanted() ? valve.bar() : 0;
            residualMissing |= !valve.unwanted();
        } else if (fault instanceof Fault.ReservoirShut shut) {
            reservoirShutBar += shut.barWhenWarm();
            reservoirToTheBrim |= shut.toTheBrim();
        } else if (fault instanceof Fault.DrainBack drain) {
            drainBackMl[0] += drain.ml() / plant.chambers;
            drainBackMl[1] += drain.ml() / plant.chambers;
        } else if (fault instanceof Fault.PortsCrossed) {
            portsCrossed = true;
        } else {
            return false;
        }
        return true;
    }

    private boolean takenAtAssist(Fault fault) {
        if (fault instanceof Fault.LowSupply low) {
            supplyShare *= low.share();
        } else if (fault instanceof Fault.SlowRecovery slow) {
            recoveryFactor *= slow.factor();
        } else if (fault instanceof Fault.AssistLeak leak) {
            takeLeak(leak);
        } else if (fault instanceof Fault.CheckValveShut) {
            checkValveShut = true;
        } else if (fault instanceof Fault.AssistSticking sticking) {
            stuckN += sticking.residualN();
        } else if (fault instanceof Fault.WrongAssist wrong) {
            assistFactor *= wrong.factor();
            assistProudMm += wrong.proudMm();
            wrongAssist = true;
        } else if (fault instanceof Fault.ReserveLost lost) {
            reserveShare *= lost.share();
        } else if (fault instanceof Fault.ReturnRestricted restricted) {
            returnShare += restricted.share();
            returnSeconds += restricted.seconds();
        } else if (fault instanceof Fault.AirInAssist air) {
            assistAirMm += air.mm();
        } else if (fault instanceof Fault.AssistFluidLoss loss) {
            assistLossMl += loss.mlPerDay();
            footwellLossMl += loss.footwell() ? loss.mlPerDay() : 0;
        } else {
            return false;
        }
        return true;
    }

    private void takeLeak(Fault.AssistLeak leak) {
        switch (leak.where()) {
            case SUPPLY_HOSE -> leakAtHose += leak.lostShare();
            case CHECK_VALVE -> {
                checkValveLeaks = true;
                emptySecondsByValve = Math.min(emptySecondsByValve, leak.emptySeconds());
            }
            case AT_REST, MASTER_JOINT -> {
                leakAtRest += leak.lostShare();
                leakAtJoint += leak.where() == Fault.AssistLeakAt.MASTER_JOINT ? leak.lostShare() : 0;
                emptySeconds = Math.min(emptySeconds, leak.emptySeconds());
            }
            case WHILE_PRESSED -> {
                leakPressed += leak.lostShare();
                emptySecondsPressed = Math.min(emptySecondsPressed, leak.emptySeconds());
            }
            default -> throw new IllegalStateException("Impossible: " + leak);
        }
    }

    private boolean takenAtLinesOrEnds(Fault fault) {
        if (fault instanceof OutwardLeak leak) {
            outward.add(leak);
        } else if (fault instanceof Fault.TrappedAir air) {
            int c = air.chamber().ordinal();
            airMl[c] = add(airMl[c], air.componentId(), air.ml());
        } else if (fault instanceof ReleaseValvePassing valve) {
            releaseValves.add(valve);
        } else if (fault instanceof Fault.ModulatorActing acting) {
            modulatorShare += acting.share();
        } else if (fault instanceof Fault.ValveShifted shifted) {
            kneeFactor = multiply(kneeFactor, shifted.valveId(), shifted.kneeFactor());
        } else if (fault instanceof Fault.Restriction restriction) {
            restrictionSeconds = add(restrictionSeconds, restriction.componentId(), restriction.seconds());
            slowLineSeconds = Math.max(slowLineSeconds, restriction.pedalSeconds());
        } else if (fault instanceof Fault.Flap flap) {
            flapBar = add(flapBar, flap.hoseId(), flap.holdsBar());
        } else if (fault instanceof Fault.HoseSwelling swelling) {
            swelling.hoseIds().forEach(id -> swellFactor = multiply(swellFactor, id, swelling.factor()));
        } else if (fault instanceof Fault.MechanicalDrag drag) {
            mechanicalDragNm = add(mechanicalDragNm, drag.endId(), drag.dragNm());
            clampingLost = add(clampingLost, drag.endId(), drag.lostShare());
            bindsNm[drag.what().ordinal()] += drag.dragNm();
        } else if (fault instanceof Fault.PadPushedBack pushed) {
            pushed.endIds().forEach(id -> pushedBackMm = add(pushedBackMm, id, pushed.mm()));
        } else if (fault instanceof Fault.ExcessShoeClearance excess) {
            excess.drumIds().forEach(id -> extraShoeMm = add(extraShoeMm, id, excess.extraPerShoeMm()));
        } else if (fault instanceof Fault.WrongPiston wrong) {
            pistonFactor = multiply(pistonFactor, wrong.endId(), wrong.areaFactor());
        } else if (fault instanceof Fault.LiningsBad bad) {
            liningLost = add(liningLost, bad.endId(), bad.lostShare());
        } else if (fault instanceof Fault.ScrewBelow below) {
            below.endIds().forEach(id -> screwBelow = add(screwBelow, id, 1));
        } else if (fault instanceof Fault.ForkWear wear) {
            forkWearMm += wear.mm();
        } else if (fault instanceof Fault.ClutchMechanical mechanical) {
            extraReleaseMm += mechanical.extraReleaseMm();
        } else if (fault instanceof Fault.WetFluid wet) {
            waterPercent = wet.waterPercent();
        } else if (fault instanceof Fault.WrongFluid wrong) {
            wrongFluid = true;
            holeDrainSeconds[0] = wrong.drainSeconds();
            holeDrainSeconds[1] = wrong.drainSeconds();
        } else if (fault instanceof Fault.FluidLow low) {
            fluidLowMl += low.ml();
        } else {
            return false;
        }
        return true;
    }

    /** Preload left at the piston, mm at the rod, once some of its causes are taken out. */
    double preLoadMm(Section section) {
        return preLoadBeforeAssistMm(section) + preLoadBehindAssistMm(section);
    }

    /** Of it what pedal or lever pushes, mm at the rod. */
    double preLoadBeforeAssistMm(Section section) {
        if (section.masterLoose || section.pedalLifted) {
            return 0;
        }
        double before = preLoadMm[Rod.PEDAL_ROD.ordinal()]
                + preLoadMm[Rod.REACH_SCREW.ordinal()]
                + preLoadMm[Rod.PEDAL_STOP.ordinal()];
        return Math.max(0, before - (section.rodTurnedBack ? HALF_TURN_MM : 0));
    }

    /** Of it what stands too far out of the assist, mm at the rod. */
    double preLoadBehindAssistMm(Section section) {
        return section.masterLoose ? 0 : preLoadMm[Rod.OUTPUT_ROD.ordinal()] + assistProudMm;
    }

    /** How much nearer to its stop or grip the pedal or lever rests, mm at the rod. */
    double restsNearerStopMm(Section section) {
        return section.pedalLifted ? 0 : preLoadMm[Rod.REACH_SCREW.ordinal()] + preLoadMm[Rod.PEDAL_STOP.ordinal()];
    }

    double lostMotionMm() {
        double mm = 0;
        for (double part : lostMotionMm) {
            mm += part;
        }
        return mm;
    }
}
