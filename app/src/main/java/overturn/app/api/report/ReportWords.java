package overturn.app.api.report;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import overturn.app.job.LoggedEntry;
import overturn.circuit.Layout;
import overturn.procedure.VehicleWords;

/**
 * The words of a report: what the screens say, the names of people, and moments in the workshop's own time.
 *
 * @param words of suspects, tests and steps, by id
 * @param people names by id
 */
record ReportWords(Layout layout, Map<String, String> words, Map<String, String> people, ZoneId zone) {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.UK);

    String word(String id) {
        return words.getOrDefault(VehicleWords.key(id, layout), id);
    }

    String part(String id) {
        return words.getOrDefault("component." + id, id);
    }

    String test(String procedureId) {
        return VehicleWords.test(procedureId, layout);
    }

    String layoutName(String id) {
        return words.getOrDefault("layout." + id, id);
    }

    /** A figure of a test, by the part that it is read at where it has no name of its own. */
    String figure(String testWordId, String figureId) {
        return words.getOrDefault("figure." + testWordId + "." + figureId, part(figureId));
    }

    String person(String id) {
        return people.getOrDefault(id, id);
    }

    /** Who made these entries, each once. */
    String by(List<LoggedEntry> entries) {
        return entries.stream()
                .map(entry -> person(entry.personId()))
                .distinct()
                .collect(Collectors.joining(", "));
    }

    String at(Instant when) {
        return DAY.format(when.atZone(zone));
    }
}
