package overturn.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.suspect.SuspectCatalogue;

/** Bodies of a job as a technician under load would send them: the first tests of any layout, read as they come. */
final class LoadJob {

    /** Readings of one job after its intake. */
    static final int READINGS = 9;

    private static final Map<Layout, ProcedureCatalogue> CATALOGUES = new ConcurrentHashMap<>();

    private LoadJob() {}

    private static ProcedureCatalogue catalogue(Layout layout) {
        return CATALOGUES.computeIfAbsent(layout, ProcedureCatalogue::of);
    }

    static String intake(String jobId, String layoutId, Layout layout, String vehicle) {
        String behaviour =
                ((Observation) catalogue(layout).intake().spec()).options().get(0);
        return """
                {"jobId":"%s","entryId":"%s","readingId":"%s","vehicle":"%s","layoutId":"%s","complaint":"under load",
                 "behaviour":"%s","hunchId":"%s","mayBeMoved":false}
                """.formatted(
                        jobId,
                        UUID.randomUUID(),
                        UUID.randomUUID(),
                        vehicle,
                        layoutId,
                        behaviour,
                        SuspectCatalogue.NOTHING_WRONG);
    }

    /** The reading of one of the tests behind the last sequence. */
    static String reading(Layout layout, int number, int sequence) {
        List<Procedure> tests = catalogue(layout).all().stream()
                .filter(p -> !ProcedureCatalogue.atIntake(p.id()))
                .toList();
        Procedure test = tests.get(number * 3 % tests.size());
        String stamp =
                "{\"entryId\":\"%s\",\"sequence\":%d,\"procedureId\":\"%s\",\"rigCheck\":\"sound\",\"anotherRig\":false,"
                        .formatted(UUID.randomUUID(), sequence, test.id());
        if (test.spec() instanceof Observation observation) {
            return stamp + "\"figures\":[],\"observed\":\""
                    + observation.options().get(0) + "\"}";
        }
        List<String> figures = new ArrayList<>();
        for (Figure figure : ((Series) test.spec()).figures()) {
            figures.add(String.format(
                    Locale.ROOT,
                    "{\"id\":\"%s\",\"text\":\"%.1f\",\"unit\":\"%s\"}",
                    figure.id(),
                    figure.least() + 0.2 * (figure.most() - figure.least()),
                    figure.dimension().coreUnit().symbol()));
        }
        return stamp + "\"observed\":\"\",\"figures\":[" + String.join(",", figures) + "]}";
    }
}
