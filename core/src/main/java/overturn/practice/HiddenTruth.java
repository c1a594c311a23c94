package overturn.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Function;
import java.util.random.RandomGenerator;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.End;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.protocol.TestVehicle;
import overturn.suspect.Cure;
import overturn.suspect.Fault;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/**
 * What is wrong with the vehicle of an exercise. The same exercise has the same truth, whenever it is asked for.
 *
 * @param faults what is wrong, by the suspect that it is; by {@link #IN_NO_LIST} where no list has it
 * @param cure what is needed
 * @param shownShare share of the tests in which it is there, above 0 to 1
 * @param lyingRig the tool that lies until it is set up anew
 */
public record HiddenTruth(
        Map<String, List<Fault>> faults, Cure cure, double shownShare, Optional<RigKind> lyingRig, List<Fault> lie) {

    /** Stands for the suspect that no list has: sludge in the inlet of every end, after a wrong wash. */
    public static final String IN_NO_LIST = "sludge-in-every-end";

    /** Share of the tests in which a fault that comes and goes is there; chosen. */
    private static final double SOMETIMES = 0.6;
    /** How slowly sludge lets the ends fill, s; chosen so that it is felt. */
    private static final double SLUDGE_SECONDS = 2.5;

    /** Tools that can lie, as plugs weep and gauges stick. */
    private static final List<RigKind> LIARS =
            List.of(RigKind.FOOT_AND_TAPE, RigKind.CLAMPS, RigKind.PORT_PLUGS, RigKind.PRESSURE_GAUGE);

    public HiddenTruth {
        faults = Collections.unmodifiableMap(new LinkedHashMap<>(faults));
        lie = List.copyOf(lie);
    }

    /**
     * The truth of an exercise on a circuit.
     *
     * @param made a vehicle with some faults
     * @throws IllegalArgumentException if the exercise names a suspect that this circuit does not have
     */
    public static HiddenTruth of(Exercise exercise, Layout layout, Function<List<Fault>, TestVehicle> made) {
        RandomGenerator random = new SplittableRandom(exercise.seed());
        List<Suspect> suspects = SuspectCatalogue.of(layout);
        List<Suspect> faulty = suspects.stream()
                .filter(s -> !s.id().equals(SuspectCatalogue.NOTHING_WRONG))
                .toList();
        Procedure intake = ProcedureCatalogue.of(layout).intake();
        Map<String, List<Fault>> faults = new LinkedHashMap<>();
        List<Remedy> needed = new ArrayList<>();
        for (Suspect cause : causes(exercise, faulty, random)) {
            faults.put(
                    cause.id(),
                    FaultDraw.felt(
                            cause, layout, made, intake, () -> exercise.level().severity(random), random));
            needed.add(cause.remedy());
        }
        if (exercise.kind() == ExerciseKind.IN_NO_LIST) {
            faults.put(
                    IN_NO_LIST,
                    layout.all(End.class).stream()
                            .<Fault>map(end -> new Fault.Restriction(end.id(), SLUDGE_SECONDS, 0))
                            .toList());
            needed.add(Remedy.LOOK_ELSEWHERE);
        }
        boolean lies = exercise.kind() == ExerciseKind.LYING_RIG;
        List<RigKind> tools = usable(layout);
        Suspect another = FaultDraw.drawn(faulty, Suspect::frequency, random);
        return new HiddenTruth(
                faults,
                needed.isEmpty()
                        ? Cure.HAND_BACK
                        : needed.stream().map(Cure::of).reduce(Cure::and).orElseThrow(),
                exercise.kind() == ExerciseKind.COMES_AND_GOES ? SOMETIMES : 1,
                lies ? Optional.of(tools.get(random.nextInt(tools.size()))) : Optional.empty(),
                lies ? another.physics().at(exercise.level().severity(random), layout, random) : List.of());
    }

    private static List<RigKind> usable(Layout layout) {
        List<Procedure> tests = ProcedureCatalogue.of(layout).all();
        return LIARS.stream()
                .filter(rig -> tests.stream().anyMatch(t -> t.rigKind() == rig))
                .toList();
    }

    private static List<Suspect> causes(Exercise exercise, List<Suspect> faulty, RandomGenerator random) {
        if (exercise.kind() == ExerciseKind.NOTHING_WRONG || exercise.kind() == ExerciseKind.IN_NO_LIST) {
            return List.of();
        }
        if (!exercise.suspectIds().isEmpty()) {
            return exercise.suspectIds().stream()
                    .map(id -> faulty.stream()
                            .filter(s -> s.id().equals(id))
                            .findFirst()
                            .orElseThrow(() -> new IllegalArgumentException("No suspect of this circuit: " + id)))
                    .toList();
        }
        Suspect one = FaultDraw.drawn(faulty, Suspect::frequency, random);
        return exercise.kind() == ExerciseKind.TWO_FAULTS
                ? List.of(
                        one,
                        FaultDraw.drawn(
                                faulty.stream()
                                        .filter(s -> FaultDraw.apart(s.remedy(), one.remedy()))
                                        .toList(),
                                Suspect::frequency,
                                random))
                : List.of(one);
    }

    /** What is wrong still after these repairs. */
    public List<Fault> left(Repaired done, Layout layout) {
        return faults.entrySet().stream()
                .filter(e -> !done.settles(remedyOf(e.getKey(), layout)))
                .flatMap(e -> e.getValue().stream())
                .toList();
    }

    /** Air that strokes at the screws of the ends carry out, and nothing else but a fitted part. */
    public List<Fault.TrappedAir> air(Layout layout) {
        return faults.keySet().stream()
                .filter(id -> remedyOf(id, layout).isStrokesAtEnds())
                .flatMap(id -> faults.getOrDefault(id, List.of()).stream())
                .filter(Fault.TrappedAir.class::isInstance)
                .map(Fault.TrappedAir.class::cast)
                .toList();
    }

    /**
     * What is wrong still after these repairs and these strokes: air that was to be bled is there until it has come
     * out, whatever was ticked.
     */
    public List<Fault> left(Repaired done, RigState rig, Layout layout) {
        List<Fault> left = new ArrayList<>(rig.found().faults());
        faults.forEach((id, own) -> {
            Remedy remedy = remedyOf(id, layout);
            if (!remedy.isStrokesAtEnds() && !done.settles(remedy)) {
                left.addAll(own);
            }
        });
        return left;
    }

    private static Remedy remedyOf(String suspectId, Layout layout) {
        return SuspectCatalogue.of(layout).stream()
                .filter(s -> s.id().equals(suspectId))
                .map(Suspect::remedy)
                .findFirst()
                .orElse(Remedy.LOOK_ELSEWHERE);
    }
}
