package overturn.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import overturn.bleeding.BleedSheet;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.End;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.practice.RigState.Hazard;
import overturn.practice.RigState.Mishap;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

/** One act on one state, before the new one is put together. */
final class RigChange {

    /** From here on something is under pressure that should not be opened, N; chosen. */
    private static final double PRESSED_N = 20;
    /** Air that one early release draws in at an end, mL; docs/trade-figures.md C. */
    private static final double EARLY_RELEASE_ML = 0.8;
    /** Air that an opened line lets in, mL; estimate. */
    private static final double OPENED_LINE_ML = 0.6;
    /** Air that a reservoir run dry lets into the master, mL; docs/trade-figures.md C. */
    private static final double RAN_DRY_ML = 2;
    /** Share of the master's stroke that one bled stroke uses; docs/trade-figures.md A. */
    private static final double BLED_SHARE = 0.6;
    /** How much one stroke of a person differs from another at most, as a share; estimate. */
    private static final double STROKES_DIFFER = 0.15;
    /** A foot that bleeds presses so, N; chosen. */
    private static final double BLED_AT_N = 200;
    /** What a stroke takes with opening, closing and coming back, minutes; estimate. */
    private static final double STROKE_MINUTES = 0.1;
    /** Most strokes at one end in one go; chosen. */
    private static final int MOST_STROKES = 50;
    /** Bubbles are told after so many strokes, however many were asked for; chosen. */
    private static final int TOLD_AFTER_STROKES = 4;
    /** The fluid that was in an end and its pipe has gone out after so much, mL; estimate. */
    private static final double OLD_FLUID_ML = 20;
    /** Fluid that a stroke throws out of an open reservoir, mL; estimate. */
    private static final double THROWN_ML = 6;
    /** A rod so much too long covers the holes once the vehicle is warm, mm; docs/trade-figures.md A. */
    private static final double COVERS_MM = 0.5;

    private final Layout layout;
    private double footN;
    private boolean engineOn;
    private boolean capOn;
    private CutSet cuts;
    private double reservoirMl;
    private final Set<String> pressedOpen;
    private final Map<String, Double> bledMl;
    private int strokes;
    private Optional<Hose> hose;
    private LineAir found;
    private LineAir drawn;
    private double rodTooLongMm;
    private final Map<String, Double> misfits;
    private boolean shoesDrag;
    private boolean warm;
    private double minutes;
    private Repaired replaced;
    private final List<Mishap> mishaps;
    private Optional<Hazard> stopped;

    RigChange(RigState from, Layout layout) {
        this.layout = layout;
        footN = from.footN();
        engineOn = from.engineOn();
        capOn = from.capOn();
        cuts = from.cuts();
        reservoirMl = from.reservoirMl();
        pressedOpen = new HashSet<>(from.pressedOpen());
        bledMl = new HashMap<>(from.bledMl());
        strokes = from.strokes();
        hose = from.hose();
        found = from.found();
        drawn = from.drawn();
        rodTooLongMm = from.rodTooLongMm();
        misfits = new LinkedHashMap<>(from.misfits());
        shoesDrag = from.shoesDrag();
        warm = from.warm();
        minutes = from.minutes();
        replaced = from.replaced();
        mishaps = new ArrayList<>(from.mishaps());
        stopped = from.stopped();
    }

    RigState by(RigAct act) {
        if (act instanceof RigAct.Foot foot) {
            foot(within("force", foot.forceN(), 0, RigState.MOST_FORCE_N));
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
            stand(within("minutes", stand.minutes(), 1, 24 * 60));
        } else if (act instanceof RigAct.Bleed bleed) {
            bleed(end(bleed.endId()), (int) within("strokes", bleed.strokes(), 1, MOST_STROKES));
        } else if (act instanceof RigAct.Opened opened) {
            draw(end(opened.endId()), OPENED_LINE_ML);
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
                Map.copyOf(bledMl),
                strokes,
                hose,
                found,
                drawn,
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
        List.copyOf(pressedOpen).forEach(end -> hose = Optional.of(seen(end, 1, stroke(end))));
        pressedOpen.clear();
    }

    /** One stroke past an open screw; the air that came with it, mL. */
    private double stroke(String end) {
        strokes++;
        SplittableRandom random = random();
        double ml = BLED_SHARE
                * layout.master().strokeMl(layout.chamberOf(end))
                * (1 + STROKES_DIFFER * (2 * random.nextDouble() - 1));
        LineAir.Moved ofFound = found.moved(end, ml, layout, random);
        LineAir.Moved ofDrawn = drawn.moved(end, ml, layout, random);
        found = ofFound.left();
        drawn = ofDrawn.left();
        bledMl.merge(end, ml, Double::sum);
        reservoirMl -= ml;
        if (reservoirMl < -layout.reservoir().minToMaxMl() / 2) {
            mishaps.add(Mishap.RAN_DRY);
            draw(layout.master().id(), RAN_DRY_ML);
            reservoirMl = -layout.reservoir().minToMaxMl() / 2;
        }
        return ofFound.outMl() + ofDrawn.outMl();
    }

    private SplittableRandom random() {
        return new SplittableRandom(31L * strokes + mishaps.size());
    }

    private Hose seen(String end, int count, double... outMl) {
        double most = Arrays.stream(outMl).max().orElse(0);
        boolean old = bledMl.getOrDefault(end, 0.0) < OLD_FLUID_ML;
        return Hose.seen(end, count, most, outMl[outMl.length - 1], old);
    }

    private void bleed(String end, int asked) {
        if (cuts.closed().stream().anyMatch(joint -> layout.beyond(joint).contains(end))) {
            throw new IllegalArgumentException("an end that no plug or clamp shuts off, not " + end);
        }
        foot(0);
        double[] outMl = new double[asked];
        int done = 0;
        boolean bubbles = false;
        while (done < asked && !(bubbles && done >= TOLD_AFTER_STROKES)) {
            foot(BLED_AT_N);
            footN = 0;
            outMl[done] = stroke(end);
            bubbles |= Hose.seen(outMl[done]);
            done++;
        }
        minutes += STROKE_MINUTES * done;
        hose = Optional.of(seen(end, done, Arrays.copyOf(outMl, done)));
    }

    private void stand(double forMinutes) {
        minutes += forMinutes;
        warm = warm && forMinutes < 30;
        if (forMinutes >= BleedSheet.REST_MINUTES) {
            SplittableRandom random = random();
            found = found.rested(random);
            drawn = drawn.rested(random);
        }
    }

    private String end(String id) {
        return layout.ends().stream()
                .map(End::id)
                .filter(id::equals)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("an end of this circuit, not " + id));
    }

    private void draw(String part, double ml) {
        boolean end = layout.component(part) instanceof End;
        Chamber chamber = end ? layout.chamberOf(part) : Chamber.PRIMARY;
        drawn = drawn.with(part, chamber, ml, random());
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
        found = found.without(part -> bledBy(part).filter(replaced::settles).isPresent());
        minutes += remedy.labourMinutes();
    }

    /** The remedy by which the air of a part is bled; empty where it is none of an end. */
    private Optional<Remedy> bledBy(String part) {
        if (layout.component(part) instanceof End.Slave) {
            return Optional.of(Remedy.BLEED_CLUTCH);
        }
        return layout.component(part) instanceof End end
                ? Optional.of(end.rear() ? Remedy.BLEED_REAR : Remedy.BLEED_FRONT)
                : Optional.empty();
    }
}
