package overturn.practice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.End;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.suspect.Cure;
import overturn.suspect.Fault;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.Rod;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

/**
 * How the vehicle of an exercise stands, and what went wrong on the way: the fold of what hands did to it.
 *
 * @param footN force on pedal or lever now
 * @param cuts what is plugged, clamped, cracked open or taken out
 * @param reservoirMl fluid above the minimum mark; below 0 it has run dry
 * @param pressedOpen ends whose screw was opened under the present press
 * @param cleanStrokes strokes bled at each end since air last got in there
 * @param drawnMl air that work let in, by part
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
        Map<String, Integer> cleanStrokes,
        Map<String, Double> drawnMl,
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
    /** From here on something is under pressure that should not be opened, N; chosen. */
    private static final double PRESSED_N = 20;
    /** Air that one early release draws in at an end, mL; docs/trade-figures.md C. */
    private static final double EARLY_RELEASE_ML = 0.8;
    /** Air that an opened line lets in, mL; estimate. */
    private static final double OPENED_LINE_ML = 0.6;
    /** Air that a reservoir run dry lets into the master, mL; docs/trade-figures.md C. */
    private static final double RAN_DRY_ML = 2;
    /** Strokes that carry out what one mishap let in; estimate. */
    private static final int STROKES_TO_CLEAR = 6;
    /** Share of the master's stroke that one bled stroke uses; docs/trade-figures.md A. */
    private static final double BLED_SHARE = 0.6;
    /** Fluid that a stroke throws out of an open reservoir, mL; estimate. */
    private static final double THROWN_ML = 6;
    /** A rod so much too long covers the holes once the vehicle is warm, mm; docs/trade-figures.md A. */
    private static final double COVERS_MM = 0.5;
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
        return new RigState(
                0,
                false,
                true,
                CutSet.NONE,
                layout.reservoir().minToMaxMl(),
                Set.of(),
                Map.of(),
                Map.of(),
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
        return stopped.isPresent() ? this : new Change(this, layout).by(act);
    }

    /** What work spoilt or set wrong, as faults of the vehicle. */
    public List<Fault> own(Layout layout) {
        List<Fault> own = new ArrayList<>();
        drawnMl.forEach((part, ml) -> {
            boolean end = layout.component(part) instanceof End;
            Chamber chamber = end ? layout.chamberOf(part) : Chamber.PRIMARY;
            own.add(new Fault.TrappedAir(part, chamber, ml));
        });
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

    /** One act on one state, before the new one is put together. */
    private static final class Change {
        private final Layout layout;
        private double footN;
        private boolean engineOn;
        private boolean capOn;
        private CutSet cuts;
        private double reservoirMl;
        private final Set<String> pressedOpen;
        private final Map<String, Integer> cleanStrokes;
        private final Map<String, Double> drawnMl;
        private double rodTooLongMm;
        private final Map<String, Double> misfits;
        private boolean shoesDrag;
        private boolean warm;
        private double minutes;
        private Repaired replaced;
        private final List<Mishap> mishaps;
        private Optional<Hazard> stopped;

        Change(RigState from, Layout layout) {
            this.layout = layout;
            footN = from.footN;
            engineOn = from.engineOn;
            capOn = from.capOn;
            cuts = from.cuts;
            reservoirMl = from.reservoirMl;
            pressedOpen = new HashSet<>(from.pressedOpen);
            cleanStrokes = new HashMap<>(from.cleanStrokes);
            drawnMl = new LinkedHashMap<>(from.drawnMl);
            rodTooLongMm = from.rodTooLongMm;
            misfits = new LinkedHashMap<>(from.misfits);
            shoesDrag = from.shoesDrag;
            warm = from.warm;
            minutes = from.minutes;
            replaced = from.replaced;
            mishaps = new ArrayList<>(from.mishaps);
            stopped = from.stopped;
        }

        RigState by(RigAct act) {
            if (act instanceof RigAct.Foot foot) {
                foot(within("force", foot.forceN(), 0, MOST_FORCE_N));
            } else if (act instanceof RigAct.Engine engine) {
                engineOn = engine.on();
            } else if (act instanceof RigAct.Plug plug) {
                plug(joint(plug.jointId()), plug.on());
            } else if (act instanceof RigAct.Crack crack) {
                crack(joint(crack.jointId()), crack.open());
            } else if (act instanceof RigAct.Isolate isolate) {
                isolate(isolate.isolation(), isolate.on());
            } else if (act instanceof RigAct.Cap cap) {
                capOn = cap.on();
            } else if (act instanceof RigAct.TopUp up) {
                topUp(up.fluid());
            } else if (act instanceof RigAct.Drive drive) {
                drive(within("minutes", drive.minutes(), 1, 60));
            } else if (act instanceof RigAct.Stand stand) {
                minutes += within("minutes", stand.minutes(), 1, 24 * 60);
                warm = warm && stand.minutes() < 30;
            } else if (act instanceof RigAct.SetRod rod) {
                rodTooLongMm = within("mm", rod.tooLongMm(), 0, 5);
                minutes += 10;
            } else if (act instanceof RigAct.FitPart part) {
                fit(part.componentId(), within("size", part.sizeFactor(), 0.7, 1.4));
            } else if (act instanceof RigAct.Replace replace) {
                replace(replace.remedyId());
            }
            return new RigState(
                    footN,
                    engineOn,
                    capOn,
                    cuts,
                    reservoirMl,
                    Set.copyOf(pressedOpen),
                    Map.copyOf(cleanStrokes),
                    Map.copyOf(drawnMl),
                    rodTooLongMm,
                    Map.copyOf(misfits),
                    shoesDrag,
                    warm,
                    minutes,
                    replaced,
                    List.copyOf(mishaps),
                    stopped);
        }

        private Joint joint(String id) {
            return layout.joints().stream()
                    .filter(j -> j.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("a joint of this circuit, not " + id));
        }

        private static double within(String what, double value, double least, double most) {
            if (!(value >= least && value <= most)) {
                throw new IllegalArgumentException(what + " between " + least + " and " + most);
            }
            return value;
        }

        private void foot(double forceN) {
            if (forceN > 0 && footN == 0 && !capOn) {
                mishaps.add(Mishap.CAP_OFF);
                reservoirMl -= THROWN_ML;
            }
            if (forceN == 0 && footN > 0) {
                released();
            }
            footN = forceN;
        }

        private void released() {
            for (Joint joint : openScrews()) {
                mishaps.add(Mishap.EARLY_RELEASE);
                draw(joint.to(), EARLY_RELEASE_ML);
            }
            for (String end : pressedOpen) {
                reservoirMl -= BLED_SHARE * layout.master().strokeMl(layout.chamberOf(end));
                if (cleanStrokes.merge(end, 1, Integer::sum) >= STROKES_TO_CLEAR) {
                    drawnMl.remove(end);
                }
            }
            pressedOpen.clear();
            if (reservoirMl < -layout.reservoir().minToMaxMl() / 2) {
                mishaps.add(Mishap.RAN_DRY);
                draw(layout.master().id(), RAN_DRY_ML);
                reservoirMl = -layout.reservoir().minToMaxMl() / 2;
            }
        }

        private void draw(String part, double ml) {
            drawnMl.merge(part, ml, Double::sum);
            cleanStrokes.remove(part);
            pressedOpen.remove(part);
        }

        private List<Joint> openScrews() {
            return cuts.opened().stream()
                    .map(layout::joint)
                    .filter(j -> layout.component(j.to()) instanceof End)
                    .toList();
        }

        private void plug(Joint joint, boolean on) {
            boolean clamp = layout.canClamp(joint);
            Set<String> closed = new HashSet<>(cuts.closed());
            if (on ? closed.add(joint.id()) : closed.remove(joint.id())) {
                cuts = new CutSet(closed, cuts.opened(), cuts.isolations());
                minutes += clamp ? 3 : 8;
                if (!clamp && footN > PRESSED_N) {
                    stopped = Optional.of(Hazard.OPENED_UNDER_PRESSURE);
                } else if (!clamp && !on) {
                    mishaps.add(Mishap.LINE_OPENED);
                    draw(
                            joint.from().equals(layout.master().id())
                                    ? layout.master().id()
                                    : endBehind(joint),
                            OPENED_LINE_ML);
                }
            }
        }

        private String endBehind(Joint joint) {
            return layout.beyond(joint.id()).stream()
                    .filter(id -> layout.component(id) instanceof End)
                    .sorted()
                    .findFirst()
                    .orElse(layout.master().id());
        }

        private void crack(Joint joint, boolean open) {
            boolean screw = layout.component(joint.to()) instanceof End;
            Set<String> opened = new HashSet<>(cuts.opened());
            if (open ? !opened.add(joint.id()) : !opened.remove(joint.id())) {
                return;
            }
            cuts = new CutSet(cuts.closed(), opened, cuts.isolations());
            minutes += 1;
            if (open && footN > PRESSED_N && !screw) {
                stopped = Optional.of(Hazard.OPENED_UNDER_PRESSURE);
            } else if (open && footN > 0) {
                pressedOpen.add(joint.to());
            } else if (!open && !screw) {
                mishaps.add(Mishap.LINE_OPENED);
                draw(endBehind(joint), OPENED_LINE_ML);
            }
        }

        private void isolate(Isolation isolation, boolean on) {
            Set<Isolation> all = new HashSet<>(cuts.isolations());
            if (on ? all.add(isolation) : all.remove(isolation)) {
                cuts = new CutSet(cuts.closed(), cuts.opened(), all);
                minutes += 4;
                shoesDrag &= isolation != Isolation.SHOES_SET;
            }
        }

        private void topUp(String fluid) {
            minutes += 1;
            reservoirMl = layout.reservoir().minToMaxMl();
            if (!layout.reservoir().fluid().id().equals(fluid)) {
                stopped = Optional.of(Hazard.FLUIDS_MIXED);
            }
        }

        private void drive(double forMinutes) {
            minutes += forMinutes;
            if (!cuts.closed().isEmpty()) {
                stopped = Optional.of(Hazard.DRIVEN_WITH_A_PLUG);
            } else if (!cuts.opened().isEmpty()) {
                stopped = Optional.of(Hazard.DRIVEN_OPEN);
            } else {
                warm = true;
                if (cuts.isolations().contains(Isolation.SHOES_SET)) {
                    mishaps.add(Mishap.SHOES_NOT_SET_BACK);
                    shoesDrag = true;
                }
                if (rodTooLongMm > COVERS_MM) {
                    mishaps.add(Mishap.ROD_TOO_LONG);
                }
            }
        }

        private void fit(String componentId, double sizeFactor) {
            boolean fits = componentId.equals(layout.master().id())
                    || layout.ends().stream().anyMatch(end -> end.id().equals(componentId));
            if (!fits) {
                throw new IllegalArgumentException("a part that is the master or an end, not " + componentId);
            }
            minutes += 40;
            misfits.remove(componentId);
            draw(componentId, EARLY_RELEASE_ML);
            if (Math.abs(sizeFactor - 1) > 0.01) {
                misfits.put(componentId, sizeFactor);
                mishaps.add(Mishap.WRONG_SIZE_FITTED);
            }
        }

        private void replace(String remedyId) {
            Remedy remedy = Remedy.find(remedyId)
                    .orElseThrow(() -> new IllegalArgumentException("a remedy that there is, not " + remedyId));
            replaced = replaced.and(Cure.of(remedy));
            minutes += remedy.labourMinutes();
        }
    }
}
