package overturn.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.Function;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import me.tongfei.progressbar.ProgressBar;
import overturn.circuit.Layout;
import overturn.forecast.LayoutModel;
import overturn.inference.Intake;
import overturn.layoutfile.Presets;
import overturn.planning.Workshop;
import overturn.practice.ComplaintFelt;
import overturn.practice.Exercise;
import overturn.practice.ExerciseKind;
import overturn.practice.ExerciseLevel;
import overturn.practice.HiddenRig;
import overturn.practice.Route;
import overturn.practice.Score;
import overturn.practice.Trainee;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;
import overturn.secondworld.SecondWorldVehicle;
import overturn.suspect.Fault;

/** Four simulated trainees through the same exercises: whether the points fall in the order of what they cost. */
public final class Trainees {

    private Trainees() {}

    /** What one trainee made of all exercises. */
    private static final class Tally {
        private int exercises;
        private int right;
        private int wrongParts;
        private double minutes;
        private double cost;
        private double points;

        private void add(Route route, int scored) {
            exercises++;
            right += route.right() ? 1 : 0;
            wrongParts += route.wrongParts();
            minutes += route.minutes();
            cost += route.costMinutes();
            points += scored;
        }
    }

    /** @param arguments exercises, then the seed */
    public static void main(String[] arguments) {
        int exercises = Integer.parseInt(arguments[0]);
        long seed = Long.parseLong(arguments[1]);
        List<Layout> layouts = Presets.all();
        Map<Trainee, Tally> all = new EnumMap<>(Trainee.class);
        for (Trainee trainee : Trainee.values()) {
            all.put(trainee, new Tally());
        }
        try (ProgressBar progress = new ProgressBar("Exercises", exercises)) {
            for (int l = 0; l < layouts.size(); l++) {
                int first = l;
                Layout layout = layouts.get(l);
                LayoutModel model = LayoutModel.of(layout);
                model.warmUp();
                Map<Protocol, double[]> dataSheet = ComplaintFelt.dataSheet(model.simulator(), model.procedures());
                IntStream.range(0, exercises)
                        .filter(i -> i % layouts.size() == first)
                        .parallel()
                        .forEach(i -> {
                            Map<Trainee, Route> routes = one(model, dataSheet, seed * 1_000_003 + i, i);
                            synchronized (all) {
                                routes.forEach((trainee, route) -> all.get(trainee)
                                        .add(route, Score.points(route, routes.get(Trainee.PLANNER), 0, 0, false)));
                            }
                            progress.step();
                        });
            }
        }
        System.out.println("\n| trainee | points | cost, min | right | wrong parts per 100 | minutes of tests |");
        System.out.println("| --- | --- | --- | --- | --- | --- |");
        all.entrySet().stream()
                .sorted(Comparator.comparingDouble(e -> -e.getValue().points))
                .forEach(e -> System.out.println(row(e.getKey(), e.getValue())));
    }

    private static String row(Trainee trainee, Tally tally) {
        double n = tally.exercises;
        return String.format(
                Locale.ROOT,
                "| %s | %.0f | %.0f | %.0f %% | %.0f | %.0f |",
                trainee.id(),
                tally.points / n,
                tally.cost / n,
                100 * tally.right / n,
                100 * tally.wrongParts / n,
                tally.minutes / n);
    }

    private static Map<Trainee, Route> one(
            LayoutModel model, Map<Protocol, double[]> dataSheet, long seed, int number) {
        RandomGenerator random = new SplittableRandom(seed);
        ExerciseKind kind = ExerciseKind.WHAT_COMES.get(random.nextInt(ExerciseKind.WHAT_COMES.size()));
        Exercise exercise = new Exercise(kind, ExerciseLevel.EVERYDAY, new ArrayList<>(), seed);
        Layout layout = model.layout();
        Function<List<Fault>, TestVehicle> made = faults -> new ComplaintFelt(
                SecondWorldVehicle.of(layout, faults, seed), SecondWorldVehicle.of(layout, List.of(), seed), dataSheet);
        HiddenRig rig = new HiddenRig(exercise, layout, made);
        Intake intake = new Intake(
                false, Intake.Age.UNKNOWN, kind == ExerciseKind.COMES_AND_GOES, List.of(), Set.of(), Map.of());
        Map<Trainee, Route> routes = new EnumMap<>(Trainee.class);
        for (Trainee trainee : Trainee.values()) {
            routes.put(trainee, trainee.drive(model, rig, intake, Workshop.WELL_EQUIPPED, seed + number));
        }
        return routes;
    }
}
