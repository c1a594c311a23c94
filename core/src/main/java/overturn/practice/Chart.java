package overturn.practice;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Properties;
import overturn.circuit.Family;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;

/** The fixed chart of a family, as many workshops follow one: for each behaviour the tests in order, kept as data. */
public final class Chart {

    private static final Properties ALL = read();

    private Chart() {}

    private static Properties read() {
        Properties all = new Properties();
        try (var in = new InputStreamReader(
                Chart.class.getResourceAsStream("/overturn/practice/charts.properties"), StandardCharsets.UTF_8)) {
            all.load(in);
            return all;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The tests of the chart for the behaviour that was told at intake, those that the layout has, in order. */
    public static List<Procedure> of(LayoutModel model, Reading characterised) {
        return tests(model.layout().family(), ((Observed) characterised.value()).option()).stream()
                .flatMap(test -> model.procedures().find(test).stream())
                .toList();
    }

    /** Ids of the tests for one behaviour, in order. */
    public static List<String> tests(Family family, String behaviour) {
        return List.of(ALL.getProperty(family.id() + "." + behaviour).split(" "));
    }
}
