package overturn.repair;

import java.util.Optional;
import overturn.procedure.Procedure.RigKind;

/** What has to be at hand before a plan is begun. */
public enum Needed {
    CHOCKS("chocks-and-tag", Kind.TOOL),
    STANDS("stands", Kind.TOOL),
    COVERS("covers-and-tray", Kind.MATERIAL),
    SYRINGE("syringe", Kind.TOOL),
    FLARE_NUT_SPANNER("flare-nut-spanner", Kind.TOOL),
    LINE_CAPS("caps-and-plugs", Kind.TOOL),
    BOX_SPANNER("box-spanner", Kind.TOOL),
    JAR("jar-and-hose", Kind.TOOL),
    TORQUE_SPANNER("torque-spanner", Kind.TOOL),
    RING_PLIERS("ring-pliers", Kind.TOOL),
    SOFT_JAWS("soft-jaws", Kind.TOOL),
    TUBES("return-tubes-and-adapters", Kind.TOOL),
    DEPTH_GAUGE("depth-gauge", Kind.TOOL),
    RULE("rule", Kind.TOOL),
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
}
