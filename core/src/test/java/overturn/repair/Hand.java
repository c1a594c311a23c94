package overturn.repair;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Plays a plan as the hand that does it, by what a mechanic knows and not by what the steps say they need: what is on,
 * off or open in front of the hand follows from the items that steps leave and set back, and from the act itself.
 */
final class Hand {

    private static final Set<String> OPENS = Set.of(
            "pipe-caps",
            "line-cap",
            "master-out",
            "end-off",
            "reservoir-off",
            "return-tubes",
            "modulator-out",
            "connector-clip");
    private static final Set<String> OF_ONE_PLACE =
            Set.of("end-off", "line-cap", "wheel", "drum", "linings", "slide-bolts", "adjuster", "connector-clip");

    private static final Set<String> UNBORNE = Set.of(
            "pipe-caps",
            "line-cap",
            "master-out",
            "master-loose",
            "pedal-block",
            "end-off",
            "slave-aside",
            "drum",
            "linings",
            "slide-bolts",
            "gearbox",
            "assist-out",
            "bracket",
            "lever-bolt",
            "reservoir-cap");
    private static final Set<String> PRESSES = Set.of(
            "bleed-end",
            "rod-again",
            "pumped-firm",
            "wheels-turned",
            "warm-again",
            "joint-pressed",
            "port-open-again",
            "moves-again",
            "lamp-seen",
            "master-ports-bled",
            "master-screw-bled",
            "outlets-cracked",
            "routine-run",
            "lock-to-lock",
            "snaps-home",
            "holds-vacuum");
    /** Seen or done only while one of these is off, whichever. */
    private static final Map<String, Set<String>> ONLY_WHILE = Map.ofEntries(
            Map.entry("output-rod-set", Set.of("master-out", "master-loose")),
            Map.entry("assist-inside", Set.of("master-out", "master-loose")),
            Map.entry("joint-face", Set.of("master-out", "master-loose")),
            Map.entry("compare-bore", Set.of("master-out")),
            Map.entry("compare-depth", Set.of("master-out")),
            Map.entry("compare-ports", Set.of("master-out")),
            Map.entry("compare-rest", Set.of("master-out")),
            Map.entry("bench-strokes", Set.of("master-out")),
            Map.entry("lips", Set.of("master-out")),
            Map.entry("lips-in-paste", Set.of("master-out")),
            Map.entry("compare-end", Set.of("end-off")),
            Map.entry("compare-side", Set.of("end-off")),
            Map.entry("compare-slave", Set.of("end-off")),
            Map.entry("piston-measured", Set.of("end-off")),
            Map.entry("seals-in", Set.of("end-off")),
            Map.entry("seals-in-in-paste", Set.of("end-off")),
            Map.entry("compare-assist", Set.of("assist-out")),
            Map.entry("plunger-looked-at", Set.of("assist-out")),
            Map.entry("clutch-while-open", Set.of("gearbox")),
            Map.entry("plate-compared", Set.of("gearbox")),
            Map.entry("spigot-and-seal", Set.of("gearbox")),
            Map.entry("pivot-compared", Set.of("gearbox")),
            Map.entry("compare-modulator", Set.of("modulator-out")),
            Map.entry("drum-after-drag", Set.of("drum")),
            Map.entry("linings-soaked", Set.of("end-off")),
            Map.entry("seal-left-inside", Set.of("connector-clip")),
            Map.entry("gearbox-out", Set.of("line-cap", "slave-aside")),
            Map.entry("crack-line", Set.of("pedal-block")),
            Map.entry("wheel-off", Set.of("stands")),
            Map.entry("wheels-turned", Set.of("stands")),
            Map.entry("pushed-by-hand", Set.of("lever-bolt")));
    /** Never while one of these is off. */
    private static final Map<String, Set<String>> NEVER_WHILE = Map.ofEntries(
            Map.entry("vehicle-strokes", Set.of("master-out", "rod-clip")),
            Map.entry("crack-nuts", Set.of("master-out", "master-loose")),
            Map.entry("crack-nuts-open-spanner", Set.of("master-out", "master-loose")),
            Map.entry("line-by-hand", Set.of("end-off", "gearbox")),
            Map.entry("nuts-by-hand", Set.of("master-out", "return-tubes")),
            Map.entry("torque-nuts", Set.of("master-out", "pipe-caps")),
            Map.entry("rod-set", Set.of("master-out", "master-loose", "rod-clip", "bracket", "pedal-stop", "gearbox")),
            Map.entry("switch-set", Set.of("rod-clip", "bracket", "lever-bolt")),
            Map.entry("wheel-on", Set.of("end-off", "drum", "linings", "slide-bolts", "line-cap", "adjuster")),
            Map.entry("lower", Set.of("wheel", "gearbox")),
            Map.entry("drum-on", Set.of("end-off", "linings")),
            Map.entry("shoes-set", Set.of("drum")),
            Map.entry("plug-on", Set.of("modulator-out")),
            Map.entry("hose-on", Set.of("assist-out")),
            Map.entry("lines-on", Set.of("assist-out")),
            Map.entry("hook-rod", Set.of("assist-out", "bracket", "return-spring", "master-out")),
            Map.entry("slave-back", Set.of("gearbox")),
            Map.entry("steering-fluid", Set.of("assist-lines", "assist-out", "accumulator")),
            Map.entry("holds-on-slope", Set.of("stands", "wheel")),
            Map.entry("turns-free", Set.of("parking-cable", "drum")));
    /** This before that wherever a plan has both. */
    private static final List<List<String>> BEFORE = List.of(
            List.of("hold", "raise"),
            List.of("cover", "draw-off"),
            List.of("spend-reserve", "pipes-stay"),
            List.of("seals-sound", "draw-off"),
            List.of("seals-sound-stripped", "draw-off"),
            List.of("kind-proven", "draw-off"),
            List.of("alcohol", "bore-measured"),
            List.of("bore-measured", "decide-master"),
            List.of("decide-master", "lips"),
            List.of("alcohol", "lips"),
            List.of("lines-flushed", "lips"),
            List.of("lines-flushed", "every-rubber"),
            List.of("groove-clean", "seals-in"),
            List.of("piston-measured", "seals-in"),
            List.of("springs-back", "reservoir-seals"),
            List.of("reservoir-seals", "return-tubes"),
            List.of("bench-strokes", "fit-master"),
            List.of("torque-master", "vehicle-strokes"),
            List.of("nuts-by-hand", "torque-nuts"),
            List.of("torque-nuts", "fill"),
            List.of("line-tight", "fill"),
            List.of("torque-joint", "fill"),
            List.of("fill", "cap-on"),
            List.of("cap-on", "bleed-end"),
            List.of("screw-on-top", "rubber-cap"),
            List.of("block-off", "fill"),
            List.of("routine-stop-known", "routine-run"),
            List.of("bleed-end", "set-level"),
            List.of("bleed-end", "rod-again"),
            List.of("bleed-end", "lower"),
            List.of("rod-set", "locknut"),
            List.of("locknut", "warm-again"),
            List.of("stop-set", "rod-set"),
            List.of("slave-on", "rod-in-fork"),
            List.of("runout-again", "end-swung"),
            List.of("pins-out", "pins-in"),
            List.of("hub-face", "disc-or-bearing"),
            List.of("shoes-in-turn", "cable-set"),
            List.of("set-level", "wash"));

    /** Pipes are marked before any of them is loosened at this part. */
    private static final Set<String> LOOSENS = Set.of("crack-nuts", "crack-nuts-open-spanner", "crack-joint");

    private static final Map<String, String> HAZARDS = Map.ofEntries(
            Map.entry("hold", "chocks"),
            Map.entry("raise", "stands"),
            Map.entry("crack-nuts", "pressure"),
            Map.entry("crack-nuts-open-spanner", "pressure"),
            Map.entry("crack-line", "pressure"),
            Map.entry("crack-joint", "pressure"),
            Map.entry("clip-out", "pressure"),
            Map.entry("outlets-cracked", "pressure"),
            Map.entry("cap-pipes", "open-circuit"),
            Map.entry("cap-line", "open-circuit"),
            Map.entry("bleed-end", "screw"),
            Map.entry("fill", "fluid"),
            Map.entry("cap-on", "cap-loose"),
            Map.entry("turning-nut", "no-flame"),
            Map.entry("neighbour-cable-off", "neighbour-cable"),
            Map.entry("fit-master", "locknut-missing"),
            Map.entry("compare-ports", "look-alike"),
            Map.entry("switch-free", "switch-sealant"),
            Map.entry("linings-out", "lining-dust"),
            Map.entry("pistons-back", "brim"),
            Map.entry("drum-off", "lining-dust"),
            Map.entry("drum-on", "drum-first"),
            Map.entry("piston-out", "piston-flies"),
            Map.entry("apart", "spring-flies"),
            Map.entry("assist-apart", "spring-flies"),
            Map.entry("gearbox-out", "gearbox-falls"),
            Map.entry("slave-off", "slave-unborne"),
            Map.entry("slave-aside", "slave-unborne"),
            Map.entry("lines-off", "steering-too"),
            Map.entry("accumulator-off", "accumulator"),
            Map.entry("routine-run", "routine"),
            Map.entry("reach-back", "preload"),
            Map.entry("warm-again", "preload"),
            Map.entry("spend-reserve", "open-circuit"),
            Map.entry("bench-strokes", "face-shield"),
            Map.entry("vehicle-strokes", "cap-loose"),
            Map.entry("end-off", "end-hangs"),
            Map.entry("holds-on-slope", "slope"),
            Map.entry("rod-stays", "rod-drops"),
            Map.entry("plug-off", "key-out"),
            Map.entry("holds-vacuum", "running-engine"));

    private final List<String> wrong = new ArrayList<>();
    private final Set<String> items = new HashSet<>();
    private final Set<String> doneIds = new HashSet<>();
    private final Set<String> doneKeys = new HashSet<>();
    private final Set<String> keys = new HashSet<>();

    private Hand() {}

    /** Everything that a hand finds wrong with steps in this order. */
    static List<String> plays(List<WorkStep> steps) {
        Hand hand = new Hand();
        Set<String> ids = new HashSet<>();
        steps.forEach(step -> {
            ids.add(step.id());
            hand.keys.add(step.key());
        });
        steps.forEach(step -> hand.does(step, ids));
        hand.items.stream()
                .filter(item -> !item.startsWith("do-not-drive-tag"))
                .forEach(item -> hand.wrong.add("leaves " + item));
        return hand.wrong;
    }

    /** Steps that hold a hazard, for a test that each is in some plan. */
    static Set<String> hazards() {
        return HAZARDS.keySet();
    }

    private void does(WorkStep step, Set<String> ids) {
        if (!step.id().equals("hold") && ids.contains("hold") && !doneIds.contains("hold")) {
            says(step, "before the vehicle is held");
        }
        if (PRESSES.contains(step.id()) || step.id().startsWith("bleed-end")) {
            kinds(UNBORNE).forEach(item -> says(step, "pressed with " + item));
        }
        if (step.id().equals("fill")) {
            kinds(OPENS).forEach(item -> says(step, "filled with " + item));
        }
        Set<String> while_ = ONLY_WHILE.getOrDefault(step.id(), Set.of());
        if (!while_.isEmpty() && kinds(while_).isEmpty()) {
            says(step, "not while one of " + while_ + " is so");
        }
        kinds(NEVER_WHILE.getOrDefault(step.id(), Set.of())).stream()
                .filter(item -> here(step, item))
                .forEach(item -> says(step, "with " + item));
        for (List<String> two : BEFORE) {
            if (two.get(0).equals(step.id()) && !step.optional() && isDone(two.get(1), step.place())) {
                says(step, "after " + two.get(1));
            }
        }
        if (step.id().equals("mark-pipes")
                && LOOSENS.stream().anyMatch(id -> doneKeys.contains(id + "@" + step.place()))) {
            says(step, "after they were loosened");
        }
        String hazard = HAZARDS.get(step.id());
        if (hazard != null && !step.cautionIds().contains(hazard)) {
            says(step, "without the caution " + hazard);
        }
        step.leaves().forEach(items::add);
        step.setsBack().forEach(items::remove);
        doneIds.add(step.id());
        doneKeys.add(step.key());
    }

    /** Done at this place where the plan does it here, anywhere else. */
    private boolean isDone(String id, String place) {
        String here = id + "@" + place;
        return keys.contains(here) ? doneKeys.contains(here) : doneIds.contains(id);
    }

    /** What is off at another end or line does not hinder this one. */
    private static boolean here(WorkStep step, String item) {
        String[] kindAndPlace = item.split("@");
        return step.id().equals("lower")
                || !OF_ONE_PLACE.contains(kindAndPlace[0])
                || kindAndPlace[1].equals(step.place());
    }

    private List<String> kinds(Set<String> kinds) {
        return items.stream().filter(item -> kinds.contains(item.split("@")[0])).toList();
    }

    private void says(WorkStep step, String what) {
        wrong.add(step.key() + ": " + what);
    }
}
