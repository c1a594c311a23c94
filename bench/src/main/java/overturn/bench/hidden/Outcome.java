package overturn.bench.hidden;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import overturn.suspect.Cure;
import overturn.verdict.Grade;

/**
 * How one policy fared on one vehicle.
 *
 * @param named the cure named at the first verdict
 * @param grade its grade
 * @param firstRight whether that cures the vehicle and the verdict is not open
 * @param right the same; of a pair whose faults hide one another: whether every verdict on the way named what was
 *     needed, none was open, and the vehicle handed back is cured
 * @param tests done to the first verdict
 * @param minutes to the first verdict
 * @param wrongParts parts fitted for nothing until cured
 * @param costToCure minutes to the cured vehicle, the right remedy itself left out
 * @param claims after each reading: what the leading remedy claimed, and whether it was needed
 * @param planningMillis time to weigh all tests after each reading
 * @param path ids of the tests
 * @param causes what the closed job says of its cause, where one was diagnosed
 * @param believed what it would say had it been given up at its verdict
 * @param part of a right remedy that can be done at several parts: how likely the first of them is said to be, and
 *     whether the fault is there
 */
record Outcome(
        Policy policy,
        Case vehicle,
        Cure named,
        Grade grade,
        boolean firstRight,
        boolean right,
        int tests,
        double minutes,
        int wrongParts,
        double costToCure,
        List<Claim> claims,
        List<Double> planningMillis,
        List<String> path,
        List<Covered> covered,
        Map<String, Double> causes,
        Map<String, Double> believed,
        Optional<Claim> part) {

    /**
     * Where a figure lay in the band of the suspect that was there, and after how many readings.
     *
     * @param figure test and figure
     * @param off how far it lay from the middle of the band, in halves of it: up to 1 is inside
     */
    record Covered(int readingsBefore, String figure, double off) {

        boolean inside() {
            return Math.abs(off) <= 1;
        }
    }

    /** A claimed probability and whether it came true. */
    record Claim(double probability, boolean held) {}
}
