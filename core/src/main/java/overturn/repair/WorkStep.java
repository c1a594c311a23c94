package overturn.repair;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import overturn.quantity.Dimension;

/**
 * One action of a work plan. Its sentence is the word {@code repair.<id>}, in which {@code {place}} stands for the
 * component.
 *
 * @param id key of its sentence
 * @param place the component that the hands are at
 * @param minutes of a practised hand
 * @param cautionId caution shown at this step
 * @param fits what it puts on the vehicle, {@code kind@component}
 * @param takesOff what it takes off again
 * @param moves what it moves, removes or disconnects and that has to be set back
 * @param setsBack what it sets back
 * @param asks figures to be measured
 * @param together figures of {@code asks} that have to go together; others stop the plan
 * @param sheetFigures figures of the maker that it needs, from the vehicle's data sheet
 * @param testId the test of the catalogue whose reading this step is; evidence like any other
 * @param optional whether it is done only where it applies
 */
public record WorkStep(
        String id,
        Section section,
        Handling handling,
        String place,
        double minutes,
        Optional<String> cautionId,
        List<String> fits,
        List<String> takesOff,
        List<String> moves,
        List<String> setsBack,
        List<Asked> asks,
        List<Together> together,
        List<String> sheetFigures,
        Optional<String> testId,
        boolean optional) {

    public WorkStep {
        fits = List.copyOf(fits);
        takesOff = List.copyOf(takesOff);
        moves = List.copyOf(moves);
        setsBack = List.copyOf(setsBack);
        asks = List.copyOf(asks);
        together = List.copyOf(together);
        sheetFigures = List.copyOf(sheetFigures);
    }

    /** Names it in its plan: the same act at the same place is done once. */
    public String key() {
        return id + "@" + place;
    }

    static WorkStep of(String id, Section section, Handling handling, String place, double minutes) {
        List<String> none = List.of();
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                Optional.empty(),
                none,
                none,
                none,
                none,
                List.of(),
                List.of(),
                none,
                Optional.empty(),
                false);
    }

    /** The same act at the same place with other particulars. */
    private WorkStep with(
            Optional<String> caution,
            List<String> on,
            List<String> off,
            List<String> moved,
            List<String> back,
            List<Asked> figures,
            List<Together> pairs,
            List<String> makers,
            Optional<String> test,
            boolean where) {
        return new WorkStep(
                id, section, handling, place, minutes, caution, on, off, moved, back, figures, pairs, makers, test,
                where);
    }

    private List<String> here(String... kinds) {
        return Arrays.stream(kinds)
                .map(kind -> kind.contains("@") ? kind : kind + "@" + place)
                .toList();
    }

    WorkStep caution(String caution) {
        return with(
                Optional.of(caution), fits, takesOff, moves, setsBack, asks, together, sheetFigures, testId, optional);
    }

    /** Puts something on the vehicle, at its place. */
    WorkStep fits(String kind) {
        return with(cautionId, here(kind), takesOff, moves, setsBack, asks, together, sheetFigures, testId, optional);
    }

    /** Takes these off, here or where they say. */
    WorkStep takesOff(String... kinds) {
        return with(cautionId, fits, here(kinds), moves, setsBack, asks, together, sheetFigures, testId, optional);
    }

    WorkStep moves(String kind) {
        return with(cautionId, fits, takesOff, here(kind), setsBack, asks, together, sheetFigures, testId, optional);
    }

    WorkStep setsBack(String... kinds) {
        return with(cautionId, fits, takesOff, moves, here(kinds), asks, together, sheetFigures, testId, optional);
    }

    /** Asks for a figure; listed where the layout knows it, and then one that differs stops the plan. */
    WorkStep asks(String figure, Dimension dimension, OptionalDouble listed, double within) {
        return asking(new Asked(figure, dimension, listed, within, true));
    }

    /** Asks for a figure of the old part: it may be what was wrong, so it stops nothing. */
    WorkStep asksOfOld(String figure, Dimension dimension, OptionalDouble listed, double within) {
        return asking(new Asked(figure, dimension, listed, within, false));
    }

    private WorkStep asking(Asked one) {
        List<Asked> all = new ArrayList<>(asks);
        all.add(one);
        return with(cautionId, fits, takesOff, moves, setsBack, all, together, sheetFigures, testId, optional);
    }

    /** Asks that the second figure less the first lies between two limits. */
    WorkStep together(String first, String second, double least, double most) {
        List<Together> all = new ArrayList<>(together);
        all.add(new Together(first, second, least, most));
        return with(cautionId, fits, takesOff, moves, setsBack, asks, all, sheetFigures, testId, optional);
    }

    /** Needs a figure of the maker. */
    WorkStep needs(String... figures) {
        return with(cautionId, fits, takesOff, moves, setsBack, asks, together, List.of(figures), testId, optional);
    }

    WorkStep isTest(String test) {
        return with(
                cautionId, fits, takesOff, moves, setsBack, asks, together, sheetFigures, Optional.of(test), optional);
    }

    WorkStep whereItApplies() {
        return with(cautionId, fits, takesOff, moves, setsBack, asks, together, sheetFigures, testId, true);
    }
}
