package overturn.procedure;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Layout;
import overturn.protocol.Sensed;

/** Closer looks at calipers and drums, one part of them at a time. */
final class EndLooks {

    private final Layout layout;
    private final boolean brake;
    private final boolean discs;
    private final boolean drums;
    private final VehicleNeeds raised;
    private final List<Procedure> all = new ArrayList<>();
    private final CloserLook looks = new CloserLook(all);

    EndLooks(Layout layout) {
        this.layout = layout;
        this.brake = !layout.family().clutch();
        this.discs = !layout.all(DiscEnd.class).isEmpty();
        this.drums = !layout.all(DrumEnd.class).isEmpty();
        this.raised = layout.family().lever() ? VehicleNeeds.SEAT : VehicleNeeds.RAISED;
    }

    List<Procedure> all() {
        looks.add(
                brake,
                "pistons-pressed-back",
                VehicleNeeds.WHEELS_OFF,
                6,
                List.of("free", "binds"),
                1,
                List.of("piston-seized", "seal-groove-corroded"),
                steps(Step.of("hold"), Step.of("press")),
                Sensed.PISTON_BINDS_NM);
        looks.add(
                brake && discs,
                "slides-moved",
                VehicleNeeds.WHEELS_OFF,
                5,
                List.of("free", "bind"),
                1,
                List.of("slides-seized"),
                steps(Step.of("back"), Step.of("slide")),
                Sensed.SLIDES_BIND_NM);
        looks.add(
                paired(),
                "screws-looked-at",
                VehicleNeeds.SEAT,
                3,
                List.of("on-top", "below"),
                0.1,
                List.of("screws-below"),
                steps(Step.of("find"), Step.of("compare")),
                Sensed.SCREWS_BELOW);
        looks.add(
                brake,
                "linings-gauged",
                VehicleNeeds.WHEELS_OFF,
                5,
                List.of("sound", "bad"),
                0.02,
                List.of("linings-bad"),
                steps(Step.of("out").caution("lining-dust"), Step.of("compare")),
                Sensed.LINING_LOSS);
        looks.add(
                brake,
                "pistons-measured",
                VehicleNeeds.WHEELS_OFF,
                8,
                List.of("alike", "differ"),
                0.012,
                List.of("wrong-piston"),
                steps(Step.of("measure"), Step.of("compare")),
                Sensed.PISTON_MISMATCH);
        looks.add(
                brake && drums,
                "shoes-backed-off",
                raised,
                6,
                List.of("no-change", "frees"),
                1,
                List.of("shoes-too-tight"),
                steps(Step.of("count"), Step.of("turn")),
                Sensed.SHOES_BIND_NM);
        looks.add(
                drums && parking(),
                "cable-slackened",
                raised,
                5,
                List.of("no-change", "frees"),
                1,
                List.of("parking-brake-holding"),
                steps(Step.of("mark").caution("chocks"), Step.of("turn")),
                Sensed.PARKING_BINDS_NM);
        looks.add(
                brake && discs,
                "runout-dialled",
                VehicleNeeds.WHEELS_OFF,
                6,
                List.of("runs-true", "runs-out"),
                0.03,
                List.of("pad-pushed-back"),
                steps(Step.of("dial"), Step.of("rock")),
                Sensed.PUSHED_BACK_MM);
        return List.copyOf(all);
    }

    /** Ends at both sides of an axle: what can be changed over. */
    private boolean paired() {
        return brake
                && layout.ends().stream().anyMatch(end -> layout.across(end).isPresent());
    }

    private boolean parking() {
        return layout.all(DrumEnd.class).stream().anyMatch(DrumEnd::parkingBrake);
    }

    private static List<Step> steps(Step... steps) {
        return List.of(steps);
    }
}
