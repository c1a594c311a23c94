package overturn.secondworld;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import overturn.circuit.Chamber;
import overturn.suspect.Fault;
import overturn.suspect.Fault.AssistLeakAt;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;
import overturn.suspect.Fault.Rod;

/** What is wrong with one vehicle, summed up from its faults. */
final class Troubles {

    final Map<Rod, Double> lostMm = new EnumMap<>(Rod.class);
    final Map<Rod, Double> pushedInMm = new EnumMap<>(Rod.class);
    double inputSlowSeconds;
    double inputFrictionN;
    double pistonSlowSeconds;
    double pistonFrictionN;
    double flexMmPerKn;
    double ratio = 1;
    boolean lampWrong;
    double supplyShare = 1;
    double recoverySlower = 1;
    final Map<AssistLeakAt, Double> leakShare = new EnumMap<>(AssistLeakAt.class);
    double emptySeconds = Double.POSITIVE_INFINITY;
    boolean checkValveShut;
    double stickingN;
    double otherAssist = 1;
    double proudMm;
    double reserveShare = 1;
    double returnShare;
    double returnSlowSeconds;
    double assistAirMm;
    double footwellMl;
    double assistLossMl;
    final List<ByPass> byPasses;
    double hiddenMlPerDay;
    final double[] drainSeconds = new double[2];
    double boreFactor = 1;
    boolean residualMissing;
    double unwantedResidualBar;
    double shutBarWhenWarm;
    boolean toTheBrim;
    double lineSlowSeconds;
    double ranBackMl;
    boolean crossed;
    final List<OutwardLeak> leaks;
    /** Air by part and chamber, mL at ambient pressure. */
    final Map<String, double[]> airMl = new HashMap<>();

    final List<ReleaseValvePassing> releaseValves;
    double actingShare;
    final Map<String, Double> kneeFactor = new HashMap<>();
    final Map<String, Double> slowSeconds = new HashMap<>();
    final Map<String, Double> flapBar = new HashMap<>();
    final Map<String, Double> swelling = new HashMap<>();
    final Map<String, Double> dragNm = new HashMap<>();
    final Map<String, Double> clampingLost = new HashMap<>();
    final Map<Binds, Double> bindsNm = new EnumMap<>(Binds.class);
    final Map<String, Double> pushedBackMm = new HashMap<>();
    final Map<String, Double> shoesOffMm = new HashMap<>();
    final Map<String, Double> pistonFactor = new HashMap<>();
    final Map<String, Double> liningLost = new HashMap<>();
    final Set<String> screwsBelow = new HashSet<>();
    double forkWearMm;
    double extraReleaseMm;
    double waterPercent = 0.8;
    boolean wrongFluid;
    double lowMl;

    Troubles(List<Fault> faults) {
        byPasses = only(faults, ByPass.class);
        leaks = only(faults, OutwardLeak.class);
        releaseValves = only(faults, ReleaseValvePassing.class);
        for (Fault fault : faults) {
            if (!(input(fault) || assist(fault) || master(fault) || lines(fault) || ends(fault))) {
                throw new IllegalArgumentException("No such trouble in the second world: " + fault);
            }
        }
    }

    private static <T extends Fault> List<T> only(List<Fault> faults, Class<T> kind) {
        return faults.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    private boolean input(Fault fault) {
        if (fault instanceof Fault.LostMotion f) {
            lostMm.merge(f.where(), f.extraMm(), Double::sum);
        } else if (fault instanceof Fault.PreLoad f) {
            pushedInMm.merge(f.where(), f.mm(), Double::sum);
        } else if (fault instanceof Fault.InputBinding f) {
            inputSlowSeconds += f.extraReturnSeconds();
            inputFrictionN += f.frictionN();
        } else if (fault instanceof Fault.BracketFlex f) {
            flexMmPerKn += f.mmPerKn();
        } else if (fault instanceof Fault.WrongRatio f) {
            ratio *= f.factor();
        } else if (fault instanceof Fault.LampSwitchWrong) {
            lampWrong = true;
        } else {
            return false;
        }
        return true;
    }

    private boolean assist(Fault fault) {
        if (fault instanceof Fault.LowSupply f) {
            supplyShare *= f.share();
        } else if (fault instanceof Fault.SlowRecovery f) {
            recoverySlower *= f.factor();
        } else if (fault instanceof Fault.AssistLeak f) {
            leakShare.merge(f.where(), f.lostShare(), Double::sum);
            emptySeconds = Math.min(emptySeconds, f.emptySeconds());
        } else if (fault instanceof Fault.CheckValveShut) {
            checkValveShut = true;
        } else if (fault instanceof Fault.AssistSticking f) {
            stickingN += f.residualN();
        } else if (fault instanceof Fault.WrongAssist f) {
            otherAssist *= f.factor();
            proudMm += f.proudMm();
        } else if (fault instanceof Fault.ReserveLost f) {
            reserveShare *= f.share();
        } else if (fault instanceof Fault.ReturnRestricted f) {
            returnShare = Math.max(returnShare, f.share());
            returnSlowSeconds = Math.max(returnSlowSeconds, f.seconds());
        } else if (fault instanceof Fault.AirInAssist f) {
            assistAirMm += f.mm();
        } else if (fault instanceof Fault.AssistFluidLoss f) {
            footwellMl += f.footwell() ? f.mlPerDay() : 0;
            assistLossMl += f.footwell() ? 0 : f.mlPerDay();
        } else {
            return false;
        }
        return true;
    }

    private boolean master(Fault fault) {
        if (fault instanceof ByPass) {
            return true;
        } else if (fault instanceof Fault.HiddenWeep f) {
            hiddenMlPerDay += f.mlPerDay();
        } else if (fault instanceof Fault.CloggedHole f) {
            drainSeconds[f.chamber().ordinal()] =
                    Math.max(drainSeconds[f.chamber().ordinal()], f.drainSeconds());
        } else if (fault instanceof Fault.PistonSticking f) {
            pistonFrictionN += f.frictionN();
            pistonSlowSeconds += f.extraReturnSeconds();
        } else if (fault instanceof Fault.WrongBore f) {
            boreFactor *= f.areaFactor();
        } else if (fault instanceof Fault.ResidualValveWrong f) {
            residualMissing |= !f.unwanted();
            unwantedResidualBar += f.unwanted() ? f.bar() : 0;
        } else if (fault instanceof Fault.ReservoirShut f) {
            shutBarWhenWarm += f.barWhenWarm();
            toTheBrim |= f.toTheBrim();
        } else if (fault instanceof Fault.DrainBack f) {
            ranBackMl += f.ml();
        } else if (fault instanceof Fault.PortsCrossed) {
            crossed = true;
        } else {
            return false;
        }
        return true;
    }

    private boolean lines(Fault fault) {
        if (fault instanceof OutwardLeak || fault instanceof ReleaseValvePassing) {
            return true;
        } else if (fault instanceof Fault.TrappedAir f) {
            airMl.computeIfAbsent(f.componentId(), id -> new double[2])[
                    f.chamber().ordinal()] += f.ml();
        } else if (fault instanceof Fault.ModulatorActing f) {
            actingShare = Math.max(actingShare, f.share());
        } else if (fault instanceof Fault.ValveShifted f) {
            kneeFactor.merge(f.valveId(), f.kneeFactor(), (a, b) -> a * b);
        } else if (fault instanceof Fault.Restriction f) {
            slowSeconds.merge(f.componentId(), f.seconds(), Double::sum);
            lineSlowSeconds = Math.max(lineSlowSeconds, f.pedalSeconds());
        } else if (fault instanceof Fault.Flap f) {
            flapBar.merge(f.hoseId(), f.holdsBar(), Math::max);
        } else if (fault instanceof Fault.HoseSwelling f) {
            f.hoseIds().forEach(id -> swelling.merge(id, f.factor(), (a, b) -> a * b));
        } else {
            return false;
        }
        return true;
    }

    private boolean ends(Fault fault) {
        if (fault instanceof Fault.MechanicalDrag f) {
            dragNm.merge(f.endId(), f.dragNm(), Double::sum);
            clampingLost.merge(f.endId(), f.lostShare(), Double::sum);
            bindsNm.merge(f.what(), f.dragNm(), Double::sum);
        } else if (fault instanceof Fault.PadPushedBack f) {
            f.endIds().forEach(id -> pushedBackMm.merge(id, f.mm(), Double::sum));
        } else if (fault instanceof Fault.ExcessShoeClearance f) {
            f.drumIds().forEach(id -> shoesOffMm.merge(id, f.extraPerShoeMm(), Double::sum));
        } else if (fault instanceof Fault.WrongPiston f) {
            pistonFactor.merge(f.endId(), f.areaFactor(), (a, b) -> a * b);
        } else if (fault instanceof Fault.LiningsBad f) {
            liningLost.merge(f.endId(), f.lostShare(), Double::sum);
        } else if (fault instanceof Fault.ScrewBelow f) {
            screwsBelow.addAll(f.endIds());
        } else if (fault instanceof Fault.ForkWear f) {
            forkWearMm += f.mm();
        } else if (fault instanceof Fault.ClutchMechanical f) {
            extraReleaseMm += f.extraReleaseMm();
        } else if (fault instanceof Fault.WetFluid f) {
            waterPercent = f.waterPercent();
        } else if (fault instanceof Fault.WrongFluid f) {
            wrongFluid = true;
            drainSeconds[0] = Math.max(drainSeconds[0], f.drainSeconds());
            drainSeconds[1] = Math.max(drainSeconds[1], f.drainSeconds());
        } else if (fault instanceof Fault.FluidLow f) {
            lowMl += f.ml();
        } else {
            return false;
        }
        return true;
    }

    double air(String part, Chamber chamber) {
        double[] ml = airMl.get(part);
        return ml == null ? 0 : ml[chamber.ordinal()];
    }

    double binds(Binds what) {
        return bindsNm.getOrDefault(what, 0.0);
    }

    double lost(Rod where) {
        return lostMm.getOrDefault(where, 0.0);
    }

    /** How far the output rod stands too far out of the assist, mm. */
    double proudOfAssistMm() {
        return pushedIn(Rod.OUTPUT_ROD) + proudMm;
    }

    double pushedIn(Rod where) {
        return pushedInMm.getOrDefault(where, 0.0);
    }

    double leaks(AssistLeakAt where) {
        return leakShare.getOrDefault(where, 0.0);
    }
}
