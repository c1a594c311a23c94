package overturn.procedure;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.circuit.End.Slave;
import overturn.circuit.Input;
import overturn.circuit.Layout;
import overturn.words.Words;

/**
 * Which word is said on a vehicle: its own, or one for a concentric slave, for a hand lever, for a clutch, for a
 * vehicle without an assist, for a master of one chamber, where such a one is written.
 */
public final class VehicleWords {

    /** Between the key of a word and the kind of vehicle that it is for. */
    public static final String FOR = "@";

    private static final Set<String> WRITTEN = Set.copyOf(Words.all().keySet());

    private VehicleWords() {}

    /** Key of a word on this layout. */
    public static String key(String own, Layout layout) {
        return kinds(layout).stream()
                .map(kind -> own + FOR + kind)
                .filter(WRITTEN::contains)
                .findFirst()
                .orElse(own);
    }

    /** Name of a test by its id; one that is derived from the layout has its places in it. */
    public static String test(String procedureId, Layout layout) {
        String[] idAndPlaces = procedureId.split(Procedure.PLACES, 2);
        String own = "test." + idAndPlaces[0];
        String name = Words.all().getOrDefault(key(own, layout), procedureId);
        return idAndPlaces.length == 1
                ? name
                : name.replace(
                        "{places}",
                        Arrays.stream(idAndPlaces[1].split("\\+"))
                                .map(VehicleWords::part)
                                .collect(Collectors.joining(", ")));
    }

    private static String part(String id) {
        return Words.all().getOrDefault("component." + id, id.replace('-', ' ')).toLowerCase(Locale.ROOT);
    }

    /** The kinds of vehicle that a layout is, the one that says most first. */
    public static List<String> kinds(Layout layout) {
        return Stream.of(
                        layout.all(Slave.class).stream().anyMatch(Slave::concentric) ? "concentric" : "",
                        layout.input() instanceof Input.Lever ? "lever" : "",
                        layout.family().clutch() ? "clutch" : "",
                        layout.assist().isEmpty() ? "unassisted" : "",
                        layout.master().tandem() ? "" : "single")
                .filter(kind -> !kind.isEmpty())
                .toList();
    }
}
