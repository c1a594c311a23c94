package overturn.circuit;

import static overturn.circuit.Chamber.PRIMARY;
import static overturn.circuit.Chamber.SECONDARY;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.circuit.Component.DiscEnd;
import overturn.circuit.Component.DrumEnd;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pedal;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.Reservoir;
import overturn.circuit.Component.TandemMaster;
import overturn.circuit.Component.VacuumAssist;
import overturn.circuit.Joint.CutKind;

/** The layouts that ship with the program. Dimensions: handbook chapter 9, section A, all estimates. */
public final class Presets {

    /** The Tarn box van: vacuum assist, tandem master, front discs on the primary chamber, rear drums on the secondary, modulator. */
    public static final Layout TARN_BOX_VAN = tarnBoxVan();

    private static final List<Layout> ALL = List.of(TARN_BOX_VAN);

    private Presets() {
    }

    /** Every preset. */
    public static List<Layout> all() {
        return ALL;
    }

    public static Optional<Layout> find(String id) {
        return ALL.stream().filter(layout -> layout.id().equals(id)).findFirst();
    }

    private static Layout tarnBoxVan() {
        List<Component> parts = new ArrayList<>(List.of(
                new Pedal("pedal", 4.0, 120, 3),
                new VacuumAssist("assist", 35_500, 5, 40, 400, 65, 1.0),
                new TandemMaster("master", 23.81, 15, 14, 1.25, 200),
                new Reservoir("reservoir", 3_000),
                new Pipe("front-pipe", 25),
                new Pipe("rear-pipe", 20),
                new Modulator("modulator", 10, 3)));
        List<Joint> joints = new ArrayList<>(List.of(
                new Joint("front-port", "master", "front-pipe", PRIMARY, Set.of(CutKind.PLUG)),
                new Joint("rear-port", "master", "rear-pipe", SECONDARY, Set.of(CutKind.PLUG)),
                new Joint("front-inlet", "front-pipe", "modulator", PRIMARY, Set.of(CutKind.PLUG)),
                new Joint("rear-inlet", "rear-pipe", "modulator", SECONDARY, Set.of(CutKind.PLUG))));
        for (String corner : List.of("front-left", "front-right", "rear-left", "rear-right")) {
            boolean front = corner.startsWith("front");
            Chamber chamber = front ? PRIMARY : SECONDARY;
            parts.add(new Pipe(corner + "-pipe", front ? 20 : 35));
            parts.add(new Hose(corner + "-hose", 0.35, 0.010));
            parts.add(front ? new DiscEnd(corner, 54, 0.08, 0.013, 0.006) : new DrumEnd(corner, 17.46, 0.40, 0.007, 0.004));
            joints.add(new Joint(corner + "-outlet", "modulator", corner + "-pipe", chamber, Set.of(CutKind.PLUG)));
            joints.add(new Joint(corner + "-hose-inlet", corner + "-pipe", corner + "-hose", chamber,
                    Set.of(CutKind.CLAMP, CutKind.PLUG)));
            joints.add(new Joint(corner + "-hose-end", corner + "-hose", corner, chamber, Set.of(CutKind.PLUG)));
        }
        return new Layout("tarn-box-van", Family.VACUUM_BRAKE, parts, joints);
    }
}
