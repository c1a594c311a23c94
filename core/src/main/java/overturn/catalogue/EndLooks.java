package overturn.catalogue;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
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
        looks.at("pistons-pressed-back")
                .where(brake)
                .needs(VehicleNeeds.WHEELS_OFF)
                .minutes(6)
                .tells("free", "binds")
                .halfSeeIt(1)
                .of("piston-seized", "seal-groove-corroded")
                .senses(Sensed.PISTON_BINDS_NM)
                .steps(Step.of("hold"), Step.of("press"));
        looks.at("slides-moved")
                .where(brake && discs)
                .needs(VehicleNeeds.WHEELS_OFF)
                .minutes(5)
                .tells("free", "bind")
                .halfSeeIt(1)
                .of("slides-seized")
                .senses(Sensed.SLIDES_BIND_NM)
                .steps(Step.of("back"), Step.of("slide"));
        looks.at("screws-looked-at")
                .where(paired())
                .minutes(3)
                .tells("on-top", "below")
                .halfSeeIt(0.1)
                .of("screws-below")
                .senses(Sensed.SCREWS_BELOW)
                .steps(Step.of("find"), Step.of("compare"));
        looks.at("linings-gauged")
                .where(brake)
                .needs(VehicleNeeds.WHEELS_OFF)
                .minutes(5)
                .tells("sound", "bad")
                .halfSeeIt(0.02)
                .of("linings-bad")
                .senses(Sensed.LINING_LOSS)
                .steps(Step.of("out").caution("lining-dust"), Step.of("compare"));
        looks.at("pistons-measured")
                .where(brake)
                .needs(VehicleNeeds.WHEELS_OFF)
                .minutes(8)
                .tells("alike", "differ")
                .halfSeeIt(0.012)
                .of("wrong-piston")
                .senses(Sensed.PISTON_MISMATCH)
                .steps(Step.of("measure"), Step.of("compare"));
        looks.at("shoes-backed-off")
                .where(brake && drums)
                .needs(raised)
                .minutes(6)
                .tells("no-change", "frees")
                .halfSeeIt(1)
                .of("shoes-too-tight")
                .senses(Sensed.SHOES_BIND_NM)
                .steps(Step.of("count"), Step.of("turn"));
        looks.at("cable-slackened")
                .where(drums && parking())
                .needs(raised)
                .minutes(5)
                .tells("no-change", "frees")
                .halfSeeIt(1)
                .of("parking-brake-holding")
                .senses(Sensed.PARKING_BINDS_NM)
                .steps(Step.of("mark").caution("chocks"), Step.of("turn"));
        looks.at("runout-dialled")
                .where(brake && discs)
                .needs(VehicleNeeds.WHEELS_OFF)
                .minutes(6)
                .tells("runs-true", "runs-out")
                .halfSeeIt(0.03)
                .of("pad-pushed-back")
                .senses(Sensed.PUSHED_BACK_MM)
                .steps(Step.of("dial"), Step.of("rock"));
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
}
