package overturn.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Function;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.measurement.ReadingValue;
import overturn.procedure.Procedure;
import overturn.protocol.TestVehicle;
import overturn.suspect.Fault;
import overturn.suspect.Repaired;

/** The vehicle of an exercise as tests find it: what each test reads on it, whoever does it as its steps say. */
public final class HiddenRig {

    /** A check of a rig that lies finds it so often (docs/method.md). */
    private static final double CAUGHT = 0.8;

    private final Exercise exercise;
    private final Layout layout;
    private final HiddenTruth truth;
    private final Function<List<Fault>, TestVehicle> made;

    public HiddenRig(Exercise exercise, Layout layout, Function<List<Fault>, TestVehicle> made) {
        this.exercise = exercise;
        this.layout = layout;
        this.made = made;
        this.truth = HiddenTruth.of(exercise, layout, made);
    }

    public HiddenTruth truth() {
        return truth;
    }

    /**
     * What a test showed.
     *
     * @param value as read
     * @param doubtful whether the check of its rig showed that it lies
     */
    public record Shown(ReadingValue value, boolean doubtful) {}

    /**
     * Does a test on the vehicle as it came. The same test for the same time shows the same.
     *
     * @param setUp which set-up of its rig, counted from 0
     * @param time how often it was done with it before
     */
    public Shown read(Procedure test, int setUp, int time) {
        return read(test, setUp, time, Repaired.NONE, truth.left(Repaired.NONE, layout), List.of());
    }

    /**
     * Does a test on the vehicle as hands left it.
     *
     * @param done what has been repaired, by the plan and from the shelf
     * @param rig what was bled, spoilt or set wrong on the way
     */
    public Shown read(Procedure test, int setUp, int time, Repaired done, RigState rig) {
        return read(test, setUp, time, done, truth.left(done, rig, layout), rig.own(layout));
    }

    private Shown read(Procedure test, int setUp, int time, Repaired done, List<Fault> left, List<Fault> own) {
        SplittableRandom random = new SplittableRandom(exercise.seed()
                ^ 0x9e3779b97f4a7c15L * (test.id().hashCode() + 31L * setUp + 1009L * time + 1L)
                ^ done.hashCode());
        boolean lies =
                setUp == 0 && truth.lyingRig().filter(test.rigKind()::equals).isPresent();
        boolean doubtful =
                lies && new SplittableRandom(exercise.seed() + test.rigKind().ordinal()).nextDouble() < CAUGHT;
        List<Fault> present = new ArrayList<>(lies ? truth.lie() : left);
        present.addAll(own);
        HiddenVehicle vehicle = HiddenVehicle.of(
                        made.apply(present), exercise.level().noiseScale())
                .after(ProcedureCatalogue.of(layout).intake());
        boolean sometimes = truth.shownShare() < 1 && !ProcedureCatalogue.atIntake(test.id());
        return new Shown((sometimes ? vehicle.intermittent(truth.shownShare()) : vehicle).read(test, random), doubtful);
    }
}
