package overturn.app.record;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import overturn.circuit.Family;
import overturn.learning.LearnedMinutes;

/** Where the record is kept. Exercises are never part of it. */
public interface ShopRecord {

    /** Keeps a line, unless something newer is known of the job. */
    void keep(RecordLine line);

    /** A job that is open again, or of which something was erased, has no line until it is made anew. */
    void drop(UUID jobId);

    /** Jobs that are closed or came back and have no line of their latest entry, the newest first. */
    List<UUID> missing(int most);

    /** Throws all lines away. */
    void clear();

    /** Some lines, the latest closed first. */
    Page find(Search search);

    /** All lines that are looked for, at most so many. */
    List<RecordLine> all(Search search, int most);

    /** Those of one vehicle, the first closed first. */
    List<RecordLine> ofVehicle(UUID vehicleId);

    /** How often each remedy was done on a circuit since then, and what became of it. */
    List<Done> doneOn(String layoutId, Instant since);

    /**
     * Closed jobs of a family from which frequencies are learned at a time: those whose cure had held for a month by
     * then, and those given up as long before.
     */
    List<Learnable> learnable(Family family, Instant at);

    /** How long tests took in jobs that were closed before then. */
    List<LearnedMinutes.Timed> timed(Instant before);

    /** Figures of jobs closed since then. */
    Insights insights(Instant since);

    /**
     * What is looked for; empty and blank are all.
     *
     * @param words of the full text, as typed
     * @param cameBack only those that came back
     * @param after the place behind which to go on
     */
    record Search(
            String words,
            String layoutId,
            String make,
            String remedyId,
            String causeId,
            String behaviour,
            String personId,
            Optional<Instant> from,
            Optional<Instant> to,
            boolean cameBack,
            Optional<Place> after,
            int most) {}

    /** The place of a line in the list. */
    record Place(Instant closedAt, UUID jobId) {}

    /** Some lines; {@code found} is counted up to 1,000. */
    record Page(List<RecordLine> lines, int found, boolean more) {

        /** So many are counted. */
        public static final int MOST_COUNTED = 1000;

        public Page {
            lines = List.copyOf(lines);
        }
    }

    /** How often something was done on vehicles of one circuit. */
    record Done(String remedyId, int vehicles, int jobs, int cameBack) {}

    /** A closed job as far as frequencies are learned from it. */
    record Learnable(UUID jobId, Map<String, Double> shares, Instant closedAt) {}

    /**
     * Figures of a time.
     *
     * @param hunches by what was felt
     * @param verdicts by what became of what was decided
     * @param steps by test
     * @param months by month, the first first
     * @param triedBefore by remedy
     */
    record Insights(
            List<Hunches> hunches,
            List<Verdicts> verdicts,
            List<Steps> steps,
            List<Month> months,
            List<Done> triedBefore) {}

    /** Bets of one kind of complaint. */
    record Hunches(String behaviour, int made, int held) {}

    /** What became of jobs: {@code turnedOut} is an id of {@code Decided.TurnedOut}. */
    record Verdicts(String turnedOut, int jobs, int cameBack, int triedBefore) {}

    /** Minutes of a test, medians. */
    record Steps(String procedureId, int done, double estimatedMinutes, double tookMinutes) {}

    /** What one month's closed jobs came to; {@code month} is its first day. */
    record Month(
            LocalDate month,
            int closed,
            int cameBack,
            int triedBefore,
            double spentMinutes,
            double byLikelihoodMinutes) {}
}
