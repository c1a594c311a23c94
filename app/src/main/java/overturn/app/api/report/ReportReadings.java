package overturn.app.api.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import overturn.app.api.report.ReportPage.TestTold;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.usecase.job.Jobs.Job;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.RulerBands;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;
import overturn.quantity.TypedQuantity;
import overturn.suspect.SuspectCatalogue;

/** What was read, in the order of the work, with a ruler for the first tests that have figures. */
final class ReportReadings {

    private static final int MOST_RULERS = 8;

    private final Job job;
    private final ReportWords words;
    private final List<TestTold> told;

    ReportReadings(Job job, ReportWords words) {
        this.job = job;
        this.words = words;
        this.told = tell();
    }

    List<TestTold> told() {
        return told;
    }

    private List<TestTold> tell() {
        Map<String, List<Reading>> byTest = new LinkedHashMap<>();
        job.state()
                .readings()
                .forEach(r -> byTest.computeIfAbsent(r.procedureId(), id -> new ArrayList<>())
                        .add(r));
        List<TestTold> tests = new ArrayList<>();
        int rulers = 0;
        for (Map.Entry<String, List<Reading>> entry : byTest.entrySet()) {
            Procedure test = job.model().procedures().find(entry.getKey()).orElseThrow();
            String ruler = rulers < MOST_RULERS && test.spec() instanceof Series series
                    ? ruler(test, series, entry.getValue())
                    : "";
            rulers += ruler.isEmpty() ? 0 : 1;
            tests.add(new TestTold(
                    words.test(test.id()),
                    entry.getValue().stream()
                            .map(reading -> (reading.after().isEmpty() ? "" : "after the repair: ")
                                    + value(test, reading)
                                    + codes(reading))
                            .toList(),
                    ruler));
        }
        return tests;
    }

    private String codes(Reading reading) {
        return job.state().log().stream()
                .filter(logged -> logged.id().toString().equals(reading.id()))
                .filter(logged -> logged.entry() instanceof ReadingTaken)
                .flatMap(logged -> ((ReadingTaken) logged.entry()).codes().stream())
                .map(code -> "; " + code.number() + " " + code.text() + " (" + code.often() + ")")
                .collect(Collectors.joining());
    }

    private String value(Procedure test, Reading reading) {
        if (reading.value() instanceof Observed observed) {
            return observed.notSeen()
                    ? words.word("option.not-seen")
                    : words.word("option." + test.wordId() + "." + observed.option());
        }
        List<Optional<TypedQuantity>> taken = ((Figures) reading.value()).taken();
        List<Figure> figures = ((Series) test.spec()).figures();
        List<String> all = new ArrayList<>();
        for (int i = 0; i < taken.size(); i++) {
            String name = words.figure(test.wordId(), figures.get(i).id());
            taken.get(i)
                    .ifPresent(
                            q -> all.add(name + " " + q.text() + " " + q.unit().symbol()));
        }
        return String.join(", ", all);
    }

    /** The ruler of the figure by which what is suspected lies farthest from sound, of those that were read. */
    private String ruler(Procedure test, Series series, List<Reading> readings) {
        Belief now = job.assessment().history().now();
        List<RulerBands.Band> sound = RulerBands.of(now, test, SuspectCatalogue.NOTHING_WRONG);
        List<RulerBands.FigureBands> live = RulerBands.of(now, test);
        return IntStream.range(0, Math.min(series.figures().size(), sound.size()))
                .filter(figure -> !marks(readings, figure).isEmpty())
                .boxed()
                .max(Comparator.comparingDouble(figure -> apart(sound.get(figure), live.get(figure))))
                .map(figure ->
                        ReportDrawing.ruler(series.figures().get(figure), sound.get(figure), marks(readings, figure)))
                .orElse("");
    }

    private static List<Double> marks(List<Reading> readings, int figure) {
        return readings.stream()
                .map(r -> ((Figures) r.value()).taken().get(figure))
                .flatMap(Optional::stream)
                .map(TypedQuantity::coreValue)
                .toList();
    }

    /** How far the suspect that lies farthest is from sound, in widths of the sound band. */
    private static double apart(RulerBands.Band sound, RulerBands.FigureBands live) {
        double width = Math.max(1e-9, sound.high() - sound.low());
        return live.bands().stream()
                .mapToDouble(band -> Math.abs((band.low() + band.high()) - (sound.low() + sound.high())) / 2 / width)
                .max()
                .orElse(0);
    }
}
