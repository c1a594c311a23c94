package overturn.app.usecase.learning;

import java.time.Clock;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.record.FrequenciesTaken;
import overturn.app.record.FrequenciesTaken.Elsewhere;
import overturn.app.usecase.Checks;
import overturn.circuit.Family;
import overturn.learning.LearnedCounts;

/** Gives what was learned here to other workshops, and takes what they learned: counts only, no vehicle, no person. */
@Component
public class ShareFrequencies {

    private static final int MOST_NAME = 60;
    private static final int MOST_FILES = 50;
    private static final int MOST_SUSPECTS = 1000;
    private static final int MOST_ID = 80;
    private static final double MOST_COUNT = 1e6;

    private final LearnedFrequencies frequencies;
    private final FrequenciesTaken taken;
    private final Clock clock;

    ShareFrequencies(LearnedFrequencies frequencies, FrequenciesTaken taken, Clock clock) {
        this.frequencies = frequencies;
        this.taken = taken;
        this.clock = clock;
    }

    /** What was learned here up to now; families of which nothing was are left out. */
    public Map<Family, LearnedCounts> own() {
        Instant now = clock.instant();
        Map<Family, LearnedCounts> all = new EnumMap<>(Family.class);
        for (Family family : Family.values()) {
            LearnedCounts counts = frequencies.own(family, now);
            if (counts.jobs() > 0) {
                all.put(family, counts);
            }
        }
        return all;
    }

    public List<Elsewhere> elsewhere() {
        return taken.all();
    }

    /** Counts of one family as sent, unchecked. */
    public record Sent(Integer jobs, Map<String, Double> counts) {}

    /** Takes the counts of another workshop; until they are given a weight they change nothing. */
    public List<Elsewhere> take(Actor actor, UUID id, String name, Map<String, Sent> families) {
        actor.require(Act.TELL_WORKSHOP);
        String called = name == null ? "" : name.strip();
        Map<String, Sent> sent = families == null ? Map.of() : families;
        Checks checks = new Checks()
                .that(() -> id != null, "id", id, "a UUID made by the client")
                .text("name", called, MOST_NAME)
                .that(() -> !sent.isEmpty(), "families", "nothing", "counts of at least one family")
                .that(() -> taken.all().size() < MOST_FILES, "file", "one more", "at most " + MOST_FILES + " files");
        Map<Family, LearnedCounts> read = new EnumMap<>(Family.class);
        sent.forEach((familyId, one) -> read(familyId, one, read, checks));
        checks.orThrow();
        taken.add(new Elsewhere(id, called, clock.instant(), read), actor.personId());
        return taken.all();
    }

    private static void read(String familyId, Sent sent, Map<Family, LearnedCounts> read, Checks checks) {
        String field = "families." + familyId;
        Family family = Family.find(familyId).orElse(null);
        checks.that(() -> family != null, field, familyId, "the id of a family");
        boolean told = sent != null && sent.jobs != null && sent.counts != null;
        checks.that(() -> told, field, sent, "how many jobs, and counts by suspect");
        if (family == null || !told) {
            return;
        }
        boolean few = sent.counts.size() <= MOST_SUSPECTS;
        checks.that(() -> sent.jobs >= 0 && sent.jobs <= MOST_COUNT, field + ".jobs", sent.jobs, "0 to 1000000")
                .that(() -> few, field + ".counts", sent.counts.size(), "at most " + MOST_SUSPECTS + " suspects");
        double total = 0;
        for (Map.Entry<String, Double> count : sent.counts.entrySet()) {
            Double value = count.getValue();
            boolean sound = value != null && value >= 0 && value <= MOST_COUNT;
            checks.that(() -> sound, field + ".counts." + count.getKey(), value, "0 to 1000000")
                    .that(
                            () -> count.getKey().length() <= MOST_ID,
                            field + ".counts",
                            count.getKey(),
                            "ids of at most " + MOST_ID + " characters");
            total += sound ? value : 0;
        }
        double sum = total;
        checks.that(
                () -> sum <= sent.jobs + 0.5,
                field + ".counts",
                sum + " in all",
                "no more than its " + sent.jobs + " jobs");
        if (checks.sound()) {
            read.put(family, new LearnedCounts(sent.jobs, sent.counts));
        }
    }
}
