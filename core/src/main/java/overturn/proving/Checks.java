package overturn.proving;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.Component.MasterKind;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Layout;

/** The mandatory checks of a layout, gate by gate. */
public final class Checks {

    private Checks() {}

    /** All of them in the order in which they are done. */
    public static List<Check> of(Layout layout) {
        List<Check> all = new ArrayList<>();
        boolean lever = layout.family().lever();
        boolean clutch = layout.family().clutch();
        chocks(layout, all, lever, clutch);
        yard(all, lever, clutch);
        road(layout, all, lever, clutch);
        all.add(Check.of("level-same", Gate.NEXT_DAY));
        all.add(Check.of("travel-same", Gate.NEXT_DAY).test("travel-at-forces"));
        all.add(Check.of("still-dry", Gate.NEXT_DAY).caution("pressure"));
        return List.copyOf(all);
    }

    private static void chocks(Layout layout, List<Check> all, boolean lever, boolean clutch) {
        all.add(Check.of(lever ? "stands-safe" : "parking-brake-proven", Gate.CHOCKS)
                .caution("chocks"));
        all.add(Check.of("pumped-firm", Gate.CHOCKS).caution("not-to-be-driven"));
        all.add(Check.of("holds-sixty", Gate.CHOCKS).test("hold-medium"));
        all.add(Check.of("travel-again", Gate.CHOCKS).test("travel-at-forces"));
        all.add(Check.of("hard-press", Gate.CHOCKS).caution("pressure"));
        all.add(Check.of("joints-looked-at", Gate.CHOCKS).caution("pressure"));
        all.add(Check.of("rear-seal-looked-at", Gate.CHOCKS));
        if (layout.master().kind() == MasterKind.PORT_AND_CUP) {
            all.add(Check.of("port-open", Gate.CHOCKS).caution("face-shield"));
        }
        layout.assist().ifPresent(assist -> {
            all.add(Check.of("assist-again", Gate.CHOCKS)
                    .caution("running-engine")
                    .test("assist-drop"));
            if (assist instanceof HydraulicAssist) {
                all.add(Check.of("steering-again", Gate.CHOCKS).caution("steering-too"));
            }
        });
        if (clutch) {
            all.add(Check.of("slave-moves", Gate.CHOCKS)
                    .caution("clutch-in-neutral")
                    .test("slave-stroke"));
        } else {
            all.add(Check.of("lamp-off", Gate.CHOCKS));
            all.add(Check.of("wheels-free", Gate.CHOCKS).caution("stands").test("wheel-drag"));
        }
        layout.modulator().ifPresent(m -> all.add(Check.of("fuse-in", Gate.CHOCKS)));
        all.add(Check.of("level-set", Gate.CHOCKS).caution("fluid"));
        all.add(Check.of("tools-counted", Gate.CHOCKS));
    }

    private static void yard(List<Check> all, boolean lever, boolean clutch) {
        if (clutch) {
            all.add(Check.of("gears-quiet", Gate.YARD).caution("clutch-in-gear"));
            all.add(Check.of("bite-height", Gate.YARD).caution("quiet-road"));
        } else {
            all.add(Check.of("creep-and-stop", Gate.YARD).caution("quiet-road"));
            if (!lever) {
                all.add(Check.of("reverse-and-stop", Gate.YARD).caution("quiet-road"));
            }
        }
        if (lever) {
            all.add(Check.of("snaps-back", Gate.YARD));
        }
    }

    private static void road(Layout layout, List<Check> all, boolean lever, boolean clutch) {
        if (clutch) {
            all.add(Check.of("hot-repeat", Gate.ROAD).caution("quiet-road"));
        } else {
            all.add(Check.of("progressive-stops", Gate.ROAD).caution("quiet-road"));
            if (!lever) {
                all.add(Check.of("hands-light", Gate.ROAD).caution("quiet-road"));
            }
            all.add(Check.of("hard-stop", Gate.ROAD).caution("quiet-road"));
            all.add(Check.of("rolls-free", Gate.ROAD).caution("slope"));
            all.add(Check.of("warm-no-drag", Gate.ROAD).caution("quiet-road"));
            if (layout.ends().stream().anyMatch(DrumEnd.class::isInstance)) {
                all.add(Check.of("parking-brake-again", Gate.ROAD).caution("slope"));
            }
        }
        all.add(Check.of("leaks-once-more", Gate.ROAD).caution("pressure"));
    }
}
