package overturn.bench.hidden;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hipparchus.stat.descriptive.StreamingStatistics;

/**
 * What one policy costs more than the planner on the same vehicles.
 *
 * @param meanMinutes mean difference to the cured vehicle, minutes; above 0 where the planner is cheaper
 * @param halfWidthMinutes half of the 95 % interval of that mean
 */
record Paired(double meanMinutes, double halfWidthMinutes) {

    private static final double TWO_SIDED_95 = 1.96;

    static Paired of(List<Outcome> outcomes, Policy other) {
        Map<Case, Outcome> planner = outcomes.stream()
                .filter(o -> o.policy() == Policy.OVERTURN)
                .collect(Collectors.toMap(Outcome::vehicle, Function.identity()));
        StreamingStatistics differences = new StreamingStatistics();
        outcomes.stream()
                .filter(o -> o.policy() == other)
                .forEach(o -> differences.addValue(
                        o.costToCure() - planner.get(o.vehicle()).costToCure()));
        return new Paired(
                differences.getMean(),
                TWO_SIDED_95 * differences.getStandardDeviation() / Math.sqrt(differences.getN()));
    }
}
