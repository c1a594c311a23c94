package overturn.practice;

import java.util.List;
import overturn.planning.Prices;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.verdict.Grade;

/**
 * The way of one technician through an exercise, up to what was named.
 *
 * @param tests ids in order, without the intake
 * @param minutes of tests and changes of state
 * @param named what was to be done
 * @param grade of the verdict that named it
 * @param wrongParts parts fitted for nothing
 * @param costMinutes everything, in minutes of labour: tests, help, what was done for nothing, what was not cured
 * @param right whether all that was needed was named, and nothing beside it
 */
public record Route(
        List<String> tests,
        double minutes,
        Cure named,
        Grade grade,
        int wrongParts,
        double costMinutes,
        boolean right) {

    public Route {
        tests = List.copyOf(tests);
    }

    /**
     * A way that ended with these remedies.
     *
     * @param needed what was needed when the vehicle came
     * @param extraMinutes what else it cost
     */
    public static Route of(
            List<String> tests,
            double minutes,
            Cure named,
            Grade grade,
            Cure needed,
            Prices prices,
            double extraMinutes) {
        int wrongParts = (int) named.remedies().stream()
                .filter(r -> !needed.has(r) && r.partsPriceMinutes() > 0)
                .count();
        return new Route(
                tests,
                minutes,
                named,
                grade,
                wrongParts,
                minutes + extraMinutes + prices.waste(named, needed),
                named.includes(needed) && named.remedies().stream().allMatch(r -> settles(needed, r)));
    }

    private static boolean settles(Cure needed, Remedy remedy) {
        return needed.has(remedy) || needed.settles(remedy);
    }
}
