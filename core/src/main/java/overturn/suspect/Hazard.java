package overturn.suspect;

import java.util.Comparator;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import overturn.circuit.Layout;
import overturn.suspect.Fault.AirInAssist;
import overturn.suspect.Fault.AssistFluidLoss;
import overturn.suspect.Fault.AssistLeak;
import overturn.suspect.Fault.AssistSticking;
import overturn.suspect.Fault.BracketFlex;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.CheckValveShut;
import overturn.suspect.Fault.CloggedHole;
import overturn.suspect.Fault.ClutchMechanical;
import overturn.suspect.Fault.DrainBack;
import overturn.suspect.Fault.ExcessShoeClearance;
import overturn.suspect.Fault.Flap;
import overturn.suspect.Fault.FluidLow;
import overturn.suspect.Fault.ForkWear;
import overturn.suspect.Fault.HiddenWeep;
import overturn.suspect.Fault.HoseSwelling;
import overturn.suspect.Fault.InputBinding;
import overturn.suspect.Fault.LampSwitchWrong;
import overturn.suspect.Fault.LiningsBad;
import overturn.suspect.Fault.LostMotion;
import overturn.suspect.Fault.LowSupply;
import overturn.suspect.Fault.MechanicalDrag;
import overturn.suspect.Fault.ModulatorActing;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.PadPushedBack;
import overturn.suspect.Fault.PistonSticking;
import overturn.suspect.Fault.PortsCrossed;
import overturn.suspect.Fault.PreLoad;
import overturn.suspect.Fault.ReleaseValvePassing;
import overturn.suspect.Fault.ReserveLost;
import overturn.suspect.Fault.ReservoirShut;
import overturn.suspect.Fault.ResidualValveWrong;
import overturn.suspect.Fault.Restriction;
import overturn.suspect.Fault.ReturnRestricted;
import overturn.suspect.Fault.ScrewBelow;
import overturn.suspect.Fault.SlowRecovery;
import overturn.suspect.Fault.TrappedAir;
import overturn.suspect.Fault.ValveShifted;
import overturn.suspect.Fault.WetFluid;
import overturn.suspect.Fault.WrongAssist;
import overturn.suspect.Fault.WrongBore;
import overturn.suspect.Fault.WrongFluid;
import overturn.suspect.Fault.WrongPiston;
import overturn.suspect.Fault.WrongRatio;

/**
 * How far a vehicle may be driven with a fault, the mildest first. A fault that can lose a circuit, lock a wheel, take
 * the steering or let fluid out on the road ends the drive; one that lengthens the stop allows the way to the workshop.
 * A judgement of the trade (docs/trade-figures.md), never a permission: maker's data and local law come first.
 */
public enum Hazard {
    /** It may go until a date, and is looked at again then. */
    UNTIL_RECHECK,
    /** The way to the workshop, slowly and warned. */
    TO_THE_WORKSHOP,
    /** Not at all. */
    NOT_AT_ALL;

    private static final Set<Class<? extends Fault>> ENDS_THE_DRIVE = Set.of(
            ByPass.class,
            OutwardLeak.class,
            ReleaseValvePassing.class,
            FluidLow.class,
            ReservoirShut.class,
            PreLoad.class,
            CloggedHole.class,
            AssistSticking.class,
            AssistFluidLoss.class,
            WrongFluid.class,
            ModulatorActing.class,
            PortsCrossed.class,
            BracketFlex.class);
    private static final Set<Class<? extends Fault>> LENGTHENS_THE_STOP = Set.of(
            LostMotion.class,
            InputBinding.class,
            WrongRatio.class,
            LampSwitchWrong.class,
            LowSupply.class,
            SlowRecovery.class,
            AssistLeak.class,
            CheckValveShut.class,
            WrongAssist.class,
            ReserveLost.class,
            ReturnRestricted.class,
            AirInAssist.class,
            HiddenWeep.class,
            PistonSticking.class,
            WrongBore.class,
            ResidualValveWrong.class,
            DrainBack.class,
            TrappedAir.class,
            ValveShifted.class,
            Restriction.class,
            Flap.class,
            HoseSwelling.class,
            MechanicalDrag.class,
            PadPushedBack.class,
            ExcessShoeClearance.class,
            WrongPiston.class,
            LiningsBad.class,
            ScrewBelow.class,
            ForkWear.class,
            ClutchMechanical.class,
            WetFluid.class);

    /** Severity at which a suspect is judged: worse than nine of ten; chosen. */
    private static final double SEVERE = 0.9;

    private static final Map<Hazard, Set<Class<? extends Fault>>> BY_HAZARD =
            Map.of(NOT_AT_ALL, ENDS_THE_DRIVE, TO_THE_WORKSHOP, LENGTHENS_THE_STOP);

    /** Of one fault. */
    static Hazard of(Fault fault) {
        return BY_HAZARD.entrySet().stream()
                .filter(e -> e.getValue().contains(fault.getClass()))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("Impossible: no hazard for " + fault));
    }

    /**
     * Of a suspect at its worst: of all its faults the worst. A clutch that fails strands the vehicle and does not take
     * its brakes, so the way to the workshop is open.
     */
    public static Hazard of(Suspect suspect, Layout layout) {
        Hazard worst = suspect.physics().at(SEVERE, layout, new SplittableRandom(1)).stream()
                .map(Hazard::of)
                .max(Comparator.naturalOrder())
                .orElse(UNTIL_RECHECK);
        return layout.family().clutch() && worst == NOT_AT_ALL ? TO_THE_WORKSHOP : worst;
    }
}
