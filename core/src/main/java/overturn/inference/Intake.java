package overturn.inference;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Facts told at intake and the workshop's own closed jobs: what they make of the frequencies before any reading.
 *
 * @param recentWork whether the system was worked on just before: air and wrong settings are likelier, wear less, two
 *     faults at once more so
 * @param age how old the parts are
 * @param sometimes whether the complaint is there only sometimes, so that one sound reading clears little
 * @param work what was done where before it; empty where nothing is known of it
 * @param facts what somebody told or saw
 * @param closedJobs how often each suspect was the cause in the workshop's closed jobs of this family, by id; empty
 *     when switched off
 */
public record Intake(
        boolean recentWork,
        Age age,
        boolean sometimes,
        List<WorkDone> work,
        Set<PlainFact> facts,
        Map<String, Double> closedJobs) {

    /** Nothing known. */
    public static final Intake UNKNOWN = new Intake(false, Age.UNKNOWN, false, List.of(), Set.of(), Map.of());

    /** How old the parts are, and what that makes of wear; factors are estimates. */
    public enum Age {
        UNKNOWN(1),
        NEW(0.4),
        OLD(1.5);

        private final double wear;

        Age(double wear) {
            this.wear = wear;
        }

        double wear() {
            return wear;
        }
    }

    public Intake {
        work = List.copyOf(work);
        facts = Set.copyOf(facts);
        closedJobs = Map.copyOf(closedJobs);
        closedJobs.forEach((suspect, count) -> {
            if (!(count >= 0)) {
                throw new IllegalArgumentException("Closed jobs of " + suspect + ": " + count + " must be 0 or more");
            }
        });
    }

    /** The same with what closed jobs say. */
    public Intake with(Map<String, Double> counts) {
        return new Intake(recentWork, age, sometimes, work, facts, counts);
    }

    /** The same with what was done before and what was told. */
    public Intake with(List<WorkDone> done, Set<PlainFact> told) {
        return new Intake(recentWork, age, sometimes, done, told, closedJobs);
    }
}
