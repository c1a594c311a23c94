package overturn.bench.hidden;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Family;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The fixed chart of a family: for each behaviour the rounds of tests, kept as data. */
final class Chart {

    private static final JsonNode ALL = read();

    private Chart() {}

    private static JsonNode read() {
        try (InputStream in = Chart.class.getResourceAsStream("/overturn/bench/charts.json")) {
            return JsonMapper.builder().build().readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The tests of the chart for the behaviour that was told at intake, those that the layout has, in order. */
    static List<Procedure> of(LayoutModel model, Reading characterised) {
        return tests(model.layout().family(), ((Observed) characterised.value()).option()).stream()
                .flatMap(test -> model.procedures().find(test).stream())
                .toList();
    }

    /** Ids of the tests for one behaviour, round after round. */
    static List<String> tests(Family family, String behaviour) {
        List<String> tests = new ArrayList<>();
        ALL.get(family.id()).get(behaviour).forEach(round -> round.forEach(test -> tests.add(test.asString())));
        return tests;
    }
}
