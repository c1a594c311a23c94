package overturn.procedure;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.VehicleNeeds.Opened;

/** What has to be at hand before a test or a plan is begun. */
public enum Needed {
    CHOCKS("chocks-and-tag", Kind.TOOL),
    STANDS("stands", Kind.TOOL),
    COVERS("covers-and-tray", Kind.MATERIAL),
    SYRINGE("syringe", Kind.TOOL),
    FLARE_NUT_SPANNER("flare-nut-spanner", Kind.TOOL),
    LINE_CAPS("caps-and-plugs", Kind.TOOL),
    BOX_SPANNER("box-spanner", Kind.TOOL),
    JAR("jar-and-hose", Kind.TOOL, RigKind.BLEED_HOSE),
    TORQUE_SPANNER("torque-spanner", Kind.TOOL),
    RING_PLIERS("ring-pliers", Kind.TOOL),
    SOFT_JAWS("soft-jaws", Kind.TOOL),
    TUBES("return-tubes-and-adapters", Kind.TOOL),
    DEPTH_GAUGE("depth-gauge", Kind.TOOL),
    RULE("rule", Kind.TOOL, RigKind.RULE),
    SCALE_AND_TAPE("force-scale-and-tape", Kind.TOOL, RigKind.FOOT_AND_TAPE),
    LEVEL_TAPE("level-tape", Kind.MATERIAL, RigKind.LEVEL_TAPE),
    CLAMPS("hose-clamps", Kind.TOOL, RigKind.CLAMPS),
    PORT_PLUGS("port-plugs", Kind.TOOL, RigKind.PORT_PLUGS),
    OUTLET_PLUGS("outlet-plugs", Kind.TOOL, RigKind.OUTLET_PLUGS),
    LINE_PLUG("line-plug", Kind.TOOL, RigKind.LINE_PLUG),
    THERMOMETER("thermometer", Kind.TOOL, RigKind.THERMOMETER),
    FLUID_TESTER("fluid-tester", Kind.TOOL, RigKind.FLUID_TESTER),
    BORE_GAUGE("bore-gauge", Kind.TOOL, RigKind.BORE_GAUGE),
    VACUUM_GAUGE("vacuum-gauge", Kind.TOOL, RigKind.VACUUM_GAUGE),
    PRESSURE_GAUGE("pressure-gauge", Kind.TOOL, RigKind.PRESSURE_GAUGE),
    DIAL_GAUGE("dial-gauge", Kind.TOOL),
    CODE_READER("code-reader", Kind.TOOL),
    GEARBOX_JACK("gearbox-jack", Kind.TOOL),
    BLOCK("pedal-block", Kind.TOOL),
    FACE_SHIELD("face-shield", Kind.TOOL),
    LAMP("lamp-and-mirror", Kind.TOOL),
    THREAD_CLEANER("thread-cleaner", Kind.TOOL),
    NEW_PART("new-part", Kind.PART),
    SEAL_KIT("seal-kit", Kind.PART),
    RESERVOIR_SEALS("reservoir-seals", Kind.PART),
    JOINT_RING("joint-ring", Kind.PART),
    WASHERS("washers-and-rings", Kind.PART),
    LOCKNUTS("locknuts", Kind.PART),
    FLUID("fluid", Kind.MATERIAL),
    CLEANER("cleaner", Kind.MATERIAL),
    GREASE("grease", Kind.MATERIAL);

    /** What it is bought or fetched as. */
    public enum Kind {
        TOOL,
        PART,
        MATERIAL
    }

    private final String id;
    private final Kind kind;
    private final Optional<RigKind> rig;

    Needed(String id, Kind kind) {
        this.id = id;
        this.kind = kind;
        this.rig = Optional.empty();
    }

    Needed(String id, Kind kind, RigKind rig) {
        this.id = id;
        this.kind = kind;
        this.rig = Optional.of(rig);
    }

    /** Stable id, key of its words. */
    public String id() {
        return id;
    }

    public Kind kind() {
        return kind;
    }

    /** The same tool as a test uses, which a workshop may lack. */
    public Optional<RigKind> rig() {
        return rig;
    }

    /** What the cautions of a test's steps ask for. */
    private static final Map<String, List<Needed>> BY_CAUTION = Map.ofEntries(
            Map.entry("chocks", List.of(CHOCKS)),
            Map.entry("clutch-in-gear", List.of(CHOCKS)),
            Map.entry("running-on-stands", List.of(CHOCKS)),
            Map.entry("face-shield", List.of(FACE_SHIELD)),
            Map.entry("pressure", List.of(FACE_SHIELD)),
            Map.entry("screw", List.of(FACE_SHIELD, BOX_SPANNER, JAR)),
            Map.entry("fluid", List.of(COVERS)),
            Map.entry("open-circuit", List.of(COVERS, FACE_SHIELD)),
            Map.entry("prop-slips", List.of(BLOCK)));

    /** What it takes to put something on the vehicle, or to take it off. */
    private static final Map<String, List<Needed>> BY_FITTING = Map.of(
            "master-out", List.of(RING_PLIERS, SOFT_JAWS, CLEANER),
            "pedal-block", List.of(BLOCK));

    /** What a test needs: its rig, what the state of the vehicle and its cautions ask for, and what it names itself. */
    public static Set<Needed> of(Procedure test) {
        Set<Needed> all = EnumSet.noneOf(Needed.class);
        all.addAll(test.alsoNeeded());
        Arrays.stream(values())
                .filter(one -> one.rig.filter(test.rigKind()::equals).isPresent())
                .forEach(all::add);
        VehicleNeeds state = test.needs();
        if (state.raised()) {
            all.addAll(List.of(CHOCKS, STANDS));
        }
        if (state.opened() != Opened.NOTHING) {
            all.addAll(List.of(FLARE_NUT_SPANNER, LINE_CAPS, COVERS, FLUID));
        }
        for (Step step : test.steps()) {
            step.cautionId().ifPresent(caution -> all.addAll(BY_CAUTION.getOrDefault(caution, List.of())));
            step.fits().forEach(item -> all.addAll(BY_FITTING.getOrDefault(item, List.of())));
        }
        return all;
    }
}
