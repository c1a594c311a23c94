package overturn.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import overturn.circuit.CutSet;
import overturn.circuit.End;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Layout;
import overturn.suspect.Fault;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.Rod;
import overturn.suspect.Repaired;

/**
 * How the vehicle of an exercise stands, and what went wrong on the way: the fold of what hands did to it.
 *
 * @param footN force on pedal or lever now
 * @param cuts what is plugged, clamped, cracked open or taken out
 * @param reservoirMl fluid above the minimum mark; below 0 it has run dry
 * @param pressedOpen ends whose screw was opened under the present press
 * @param bledMl fluid that went out at each end
 * @param strokes strokes bled so far
 * @param hose what was seen at the last end that was bled
 * @param found air that it came with and that strokes at its ends carry out
 * @param drawn air that work let in
 * @param rodTooLongMm what rod or screw was set too long
 * @param misfits parts of the wrong size, by where they are
 * @param shoesDrag whether shoes that were set to rub were driven so
 * @param warm whether it has been driven since it last stood for long
 * @param minutes spent with hands on it
 * @param replaced remedies done from the shelf
 * @param mishaps what went wrong, in order
 * @param stopped the unsafe act that ended the exercise
 */
public record RigState(
        double footN,
        boolean engineOn,
        boolean capOn,
        CutSet cuts,
        double reservoirMl,
        Set<String> pressedOpen,
        Map<String, Double> bledMl,
        int strokes,
        Optional<Hose> hose,
        LineAir found,
        LineAir drawn,
        double rodTooLongMm,
        Map<String, Double> misfits,
        boolean shoesDrag,
        boolean warm,
        double minutes,
        Repaired replaced,
        List<Mishap> mishaps,
        Optional<Hazard> stopped) {

    /** Most force of a foot or hand, N; docs/trade-figures.md. */
    public static final double MOST_FORCE_N = 800;
    /** Drag of shoes left rubbing, Nm; docs/trade-figures.md C. */
    private static final double RUBBING_NM = 35;

    /** What went wrong in work, and cost something. */
    public enum Mishap {
        EARLY_RELEASE,
        RAN_DRY,
        CAP_OFF,
        SHOES_NOT_SET_BACK,
        WRONG_SIZE_FITTED,
        ROD_TOO_LONG,
        LINE_OPENED;

        /** Stable id, in small letters with hyphens. */
        public String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** What ends an exercise, since on a vehicle it hurts somebody. */
    public enum Hazard {
        OPENED_UNDER_PRESSURE,
        DRIVEN_WITH_A_PLUG,
        DRIVEN_OPEN,
        FLUIDS_MIXED;

        /** Stable id, in small letters with hyphens. */
        public String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** A vehicle that nobody has touched. */
    public static RigState untouched(Layout layout) {
        return untouched(layout, List.of());
    }

    /** A vehicle that nobody has touched, with the air that it came with. */
    public static RigState untouched(Layout layout, List<Fault.TrappedAir> air) {
        LineAir found = LineAir.NONE;
        for (Fault.TrappedAir one : air) {
            SplittableRandom random = new SplittableRandom(Double.doubleToLongBits(one.ml()));
            found = found.with(one.componentId(), one.chamber(), one.ml(), random);
        }
        return new RigState(
                0,
                false,
                true,
                CutSet.NONE,
                layout.reservoir().minToMaxMl(),
                Set.of(),
                Map.of(),
                0,
                Optional.empty(),
                found,
                LineAir.NONE,
                0,
                Map.of(),
                false,
                false,
                0,
                Repaired.NONE,
                List.of(),
                Optional.empty());
    }

    /**
     * The vehicle after one more act; nothing is done to it any more once an unsafe act has stopped the exercise.
     *
     * @throws IllegalArgumentException if it names a joint, part or remedy that there is not, or a force, time or size
     *     that cannot be
     */
    public RigState after(RigAct act, Layout layout) {
        return stopped.isPresent() ? this : new RigChange(this, layout).by(act);
    }

    /** What work spoilt or set wrong, as faults of the vehicle. */
    public List<Fault> own(Layout layout) {
        List<Fault> own = new ArrayList<>(drawn.faults());
        if (rodTooLongMm > 0) {
            own.add(new Fault.PreLoad(Rod.PEDAL_ROD, rodTooLongMm));
        }
        misfits.forEach((part, factor) -> own.add(
                layout.component(part) instanceof End
                        ? new Fault.WrongPiston(part, factor * factor)
                        : new Fault.WrongBore(factor * factor)));
        if (shoesDrag) {
            layout.all(DrumEnd.class)
                    .forEach(drum -> own.add(new Fault.MechanicalDrag(drum.id(), Binds.SHOES_TIGHT, RUBBING_NM, 0)));
        }
        return own;
    }
}
