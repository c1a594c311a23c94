package overturn.repair;

import java.util.ArrayList;
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
 * @param sheetFigures figures of the maker that it needs, from the vehicle's data sheet
 * @param testId the test of the catalogue whose reading this step is; evidence like any other
 * @param calculatorId the calculation of the bench that tells direction and turns
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
        List<String> sheetFigures,
        Optional<String> testId,
        Optional<String> calculatorId,
        boolean optional) {

    public WorkStep {
        fits = List.copyOf(fits);
        takesOff = List.copyOf(takesOff);
        moves = List.copyOf(moves);
        setsBack = List.copyOf(setsBack);
        asks = List.copyOf(asks);
        sheetFigures = List.copyOf(sheetFigures);
    }

    /** Names it in its plan: the same act at the same place is done once. */
    public String key() {
        return id + "@" + place;
    }

    static WorkStep of(String id, Section section, Handling handling, String place, double minutes) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                Optional.empty(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                false);
    }

    WorkStep caution(String caution) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                Optional.of(caution),
                fits,
                takesOff,
                moves,
                setsBack,
                asks,
                sheetFigures,
                testId,
                calculatorId,
                optional);
    }

    /** Puts something on the vehicle, at its place. */
    WorkStep fits(String kind) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                List.of(kind + "@" + place),
                takesOff,
                moves,
                setsBack,
                asks,
                sheetFigures,
                testId,
                calculatorId,
                optional);
    }

    WorkStep takesOff(String kind) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                List.of(kind + "@" + place),
                moves,
                setsBack,
                asks,
                sheetFigures,
                testId,
                calculatorId,
                optional);
    }

    WorkStep moves(String kind) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                takesOff,
                List.of(kind + "@" + place),
                setsBack,
                asks,
                sheetFigures,
                testId,
                calculatorId,
                optional);
    }

    WorkStep setsBack(String kind) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                takesOff,
                moves,
                List.of(kind + "@" + place),
                asks,
                sheetFigures,
                testId,
                calculatorId,
                optional);
    }

    /** Asks for a figure; listed where the layout knows it. */
    WorkStep asks(String figure, Dimension dimension, OptionalDouble listed, double within) {
        return asking(new Asked(figure, dimension, listed, within, false));
    }

    /** Asks for a figure of old and new part. */
    WorkStep compares(String figure, Dimension dimension, OptionalDouble listed, double within) {
        return asking(new Asked(figure, dimension, listed, within, true));
    }

    private WorkStep asking(Asked one) {
        List<Asked> all = new ArrayList<>(asks);
        all.add(one);
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                takesOff,
                moves,
                setsBack,
                all,
                sheetFigures,
                testId,
                calculatorId,
                optional);
    }

    /** Needs a figure of the maker. */
    WorkStep needs(String... figures) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                takesOff,
                moves,
                setsBack,
                asks,
                List.of(figures),
                testId,
                calculatorId,
                optional);
    }

    WorkStep isTest(String test) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                takesOff,
                moves,
                setsBack,
                asks,
                sheetFigures,
                Optional.of(test),
                calculatorId,
                optional);
    }

    WorkStep calculatedBy(String calculator) {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                takesOff,
                moves,
                setsBack,
                asks,
                sheetFigures,
                testId,
                Optional.of(calculator),
                optional);
    }

    WorkStep whereItApplies() {
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                cautionId,
                fits,
                takesOff,
                moves,
                setsBack,
                asks,
                sheetFigures,
                testId,
                calculatorId,
                true);
    }
}
