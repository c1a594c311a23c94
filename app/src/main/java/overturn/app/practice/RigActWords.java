package overturn.app.practice;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import overturn.circuit.Isolation;
import overturn.practice.RigAct;

/**
 * An act on the vehicle of an exercise in plain words, as it is sent and kept; what an act does not need is null.
 *
 * @param act what is done, one of {@link #ACTS}
 * @param subject the joint, part, fluid, remedy or way of taking out that it is about
 * @param figure force in N, minutes, mm too long, or size against the list's
 * @param on whether it is put on, opened or started
 */
public record RigActWords(
        @Nullable String act,
        @Nullable String subject,
        @Nullable Double figure,
        @Nullable Boolean on) {

    public static final List<String> ACTS = List.of(
            "foot",
            "engine",
            "parking-brake",
            "steer",
            "plug",
            "crack",
            "isolate",
            "cap",
            "top-up",
            "drive",
            "stand",
            "set-rod",
            "fit-part",
            "bleed",
            "opened",
            "replace");

    /** An act in words. */
    public static RigActWords of(RigAct act) {
        if (act instanceof RigAct.Foot foot) {
            return new RigActWords("foot", null, foot.forceN(), null);
        } else if (act instanceof RigAct.Engine engine) {
            return new RigActWords("engine", null, null, engine.on());
        } else if (act instanceof RigAct.ParkingBrake brake) {
            return new RigActWords("parking-brake", null, null, brake.on());
        } else if (act instanceof RigAct.Steer steer) {
            return new RigActWords("steer", null, null, steer.againstStop());
        } else if (act instanceof RigAct.Plug plug) {
            return new RigActWords("plug", plug.jointId(), null, plug.on());
        } else if (act instanceof RigAct.Crack crack) {
            return new RigActWords("crack", crack.jointId(), null, crack.open());
        } else if (act instanceof RigAct.Isolate isolate) {
            return new RigActWords("isolate", id(isolate.isolation()), null, isolate.on());
        } else if (act instanceof RigAct.Cap cap) {
            return new RigActWords("cap", null, null, cap.on());
        } else if (act instanceof RigAct.TopUp up) {
            return new RigActWords("top-up", up.fluid(), null, null);
        } else if (act instanceof RigAct.Drive drive) {
            return new RigActWords("drive", null, (double) drive.minutes(), null);
        } else if (act instanceof RigAct.Stand stand) {
            return new RigActWords("stand", null, (double) stand.minutes(), null);
        } else if (act instanceof RigAct.SetRod rod) {
            return new RigActWords("set-rod", null, rod.tooLongMm(), null);
        } else if (act instanceof RigAct.FitPart part) {
            return new RigActWords("fit-part", part.componentId(), part.sizeFactor(), null);
        } else if (act instanceof RigAct.Bleed bleed) {
            return new RigActWords("bleed", bleed.endId(), (double) bleed.strokes(), null);
        } else if (act instanceof RigAct.Opened opened) {
            return new RigActWords("opened", opened.endId(), null, null);
        }
        return new RigActWords("replace", ((RigAct.Replace) act).remedyId(), null, null);
    }

    /**
     * The act that these words mean.
     *
     * @throws IllegalArgumentException if they mean none; its message says what is missing
     */
    public RigAct meant() {
        return switch (act == null ? "" : act) {
            case "foot" -> new RigAct.Foot(number());
            case "engine" -> new RigAct.Engine(put());
            case "parking-brake" -> new RigAct.ParkingBrake(put());
            case "steer" -> new RigAct.Steer(put());
            case "plug" -> new RigAct.Plug(named(), put());
            case "crack" -> new RigAct.Crack(named(), put());
            case "isolate" -> new RigAct.Isolate(isolation(), put());
            case "cap" -> new RigAct.Cap(put());
            case "top-up" -> new RigAct.TopUp(named());
            case "drive" -> new RigAct.Drive((int) number());
            case "stand" -> new RigAct.Stand((int) number());
            case "set-rod" -> new RigAct.SetRod(number());
            case "fit-part" -> new RigAct.FitPart(named(), number());
            case "bleed" -> new RigAct.Bleed(named(), (int) number());
            case "opened" -> new RigAct.Opened(named());
            case "replace" -> new RigAct.Replace(named());
            default -> throw new IllegalArgumentException("one of " + ACTS);
        };
    }

    private double number() {
        if (figure == null) {
            throw new IllegalArgumentException("this act with a figure");
        }
        return figure;
    }

    private boolean put() {
        if (on == null) {
            throw new IllegalArgumentException("this act with on, true or false");
        }
        return on;
    }

    private String named() {
        if (subject == null) {
            throw new IllegalArgumentException("this act with a subject");
        }
        return subject;
    }

    private static String id(Isolation isolation) {
        return isolation.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private Isolation isolation() {
        for (Isolation isolation : Isolation.values()) {
            if (id(isolation).equals(named())) {
                return isolation;
            }
        }
        throw new IllegalArgumentException("this act with one of "
                + Arrays.stream(Isolation.values()).map(RigActWords::id).toList());
    }
}
