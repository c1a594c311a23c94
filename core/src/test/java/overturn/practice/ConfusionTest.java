package overturn.practice;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.forecast.LayoutModel;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Grade;

/**
 * Every suspect of the Tarn at the median of its severity, a noisy vehicle each, led by the planner to a verdict.
 * Prints what was confused with what. A floor for the build; the measure of the planner is the hidden-fault benchmark.
 */
@Tag("slow")
class ConfusionTest {

    private static final List<Double> SEVERITIES = List.of(0.5);
    private static final int SEEDS = 1;

    private record Outcome(Suspect hidden, double severity, Remedy named, Grade grade, int tests, double minutes) {

        boolean right() {
            return named == hidden.remedy();
        }
    }

    @Test
    void theRightRemedyIsNamedForFourVehiclesInFive() {
        LayoutModel model = Models.tarn();
        model.warmUp();
        List<long[]> cases = new ArrayList<>();
        for (int s = 0; s < model.suspects().size(); s++) {
            for (int q = 0; q < SEVERITIES.size(); q++) {
                for (int seed = 0; seed < SEEDS; seed++) {
                    cases.add(new long[] {s, q, seed});
                }
            }
        }
        List<Outcome> outcomes =
                cases.parallelStream().map(c -> diagnose(model, c)).toList();
        System.out.println(table(outcomes));
        double right = share(outcomes, outcomes.stream().filter(Outcome::right).count());
        List<Outcome> proven =
                outcomes.stream().filter(o -> o.grade() == Grade.PROVEN).toList();
        double provenWrong =
                share(proven, proven.stream().filter(o -> !o.right()).count());
        System.out.printf(
                "right %.1f %%, proven %.1f %%, proven but wrong %.1f %%, tests %.1f, minutes %.0f%n",
                right,
                share(outcomes, proven.size()),
                provenWrong,
                outcomes.stream().mapToInt(Outcome::tests).average().orElseThrow(),
                outcomes.stream().mapToDouble(Outcome::minutes).average().orElseThrow());
        assertTrue(right >= 80, "right " + right);
        assertTrue(provenWrong <= 4, "proven but wrong " + provenWrong);
    }

    private static double share(List<Outcome> all, long count) {
        return 100.0 * count / all.size();
    }

    private static Outcome diagnose(LayoutModel model, long[] c) {
        Suspect hidden = model.suspects().get((int) c[0]);
        double severity = SEVERITIES.get((int) c[1]);
        SplittableRandom random = new SplittableRandom(1_000_003 * c[0] + 1_009 * c[1] + c[2]);
        HiddenVehicle vehicle = HiddenVehicle.of(
                model.simulator(),
                VehicleUnknowns.draw(random),
                hidden.physics().at(severity, model.layout(), random),
                1);
        PlanFollower.Diagnosis done = new PlanFollower(model).diagnose(vehicle, random);
        return new Outcome(
                hidden,
                severity,
                done.assessment().verdict().remedy(),
                done.assessment().verdict().grade(),
                done.readings().size(),
                done.minutes());
    }

    private static String table(List<Outcome> outcomes) {
        Map<String, List<Outcome>> rows = new TreeMap<>();
        outcomes.forEach(o -> rows.computeIfAbsent(o.hidden().id() + " @" + o.severity(), k -> new ArrayList<>())
                .add(o));
        StringBuilder text = new StringBuilder(String.format(
                "%-32s %5s %6s %5s %7s  named instead%n", "hidden", "right", "proven", "tests", "minutes"));
        rows.forEach((row, own) -> {
            Map<String, Integer> wrong = new TreeMap<>();
            own.stream()
                    .filter(o -> !o.right())
                    .forEach(o -> wrong.merge(o.named().id(), 1, Integer::sum));
            text.append(String.format(
                    "%-32s %5d %6d %5.1f %7.0f  %s%n",
                    row,
                    own.stream().filter(Outcome::right).count(),
                    own.stream().filter(o -> o.grade() == Grade.PROVEN).count(),
                    own.stream().mapToInt(Outcome::tests).average().orElseThrow(),
                    own.stream().mapToDouble(Outcome::minutes).average().orElseThrow(),
                    wrong.isEmpty() ? "" : wrong));
        });
        return text.toString();
    }
}
