package overturn.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/**
 * What an exercise shows afterwards, reading by reading.
 *
 * @param steps what each reading did to what was true
 * @param knowableAt count of readings from which on what was needed led by 80 % and more to the end; empty where it
 *     never did
 */
public record Debrief(List<Step> steps, OptionalInt knowableAt) {

    /** From here on a verdict may be acted on (docs/method.md). */
    private static final double PROBABLE = 0.8;
    /** A reading that moved nothing by so much was not needed; chosen. */
    private static final double MOVED = 0.03;

    /** From here on another reading tells nothing new; chosen. */
    private static final double KNOWN = 0.97;

    public Debrief {
        steps = List.copyOf(steps);
    }

    /**
     * One reading.
     *
     * @param truthBefore probability of all that was needed before it, 0 to 1
     * @param leadBefore what led before it
     * @param misread whether something else was entered than the vehicle showed
     * @param needless whether it came when all was known already, or moved nothing
     */
    public record Step(
            String readingId,
            String procedureId,
            double truthBefore,
            double truthAfter,
            Remedy leadBefore,
            Remedy leadAfter,
            boolean misread,
            boolean needless) {}

    /**
     * Goes through an exercise.
     *
     * @param needed what was needed when the vehicle came
     * @param misread ids of readings entered otherwise than shown
     */
    public static Debrief of(BeliefHistory history, Cure needed, Set<String> misread) {
        List<Reading> readings = history.readings();
        int known = readings.size() + 1;
        while (known > 0 && truth(history.after(known - 1), needed) >= PROBABLE) {
            known--;
        }
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < readings.size(); i++) {
            Belief before = history.after(i);
            Belief after = history.after(i + 1);
            double truthBefore = truth(before, needed);
            double truthAfter = truth(after, needed);
            boolean still = Math.abs(truthAfter - truthBefore) < MOVED && moved(before, after) < MOVED;
            steps.add(new Step(
                    readings.get(i).id(),
                    readings.get(i).procedureId(),
                    truthBefore,
                    truthAfter,
                    before.leadingRemedy(),
                    after.leadingRemedy(),
                    misread.contains(readings.get(i).id()),
                    i > 0 && (still || truthBefore >= KNOWN && truthAfter >= KNOWN)));
        }
        return new Debrief(steps, known > readings.size() ? OptionalInt.empty() : OptionalInt.of(known));
    }

    private static double moved(Belief before, Belief after) {
        return before.remedies().entrySet().stream()
                .mapToDouble(e -> Math.abs(e.getValue() - after.probability(e.getKey())))
                .max()
                .orElse(0);
    }

    /** How likely everything that is needed is: of a pair the less likely of the two. */
    private static double truth(Belief belief, Cure needed) {
        return needed.remedies().stream().mapToDouble(belief::probability).min().orElse(0);
    }
}
