package overturn.layoutfile;

import java.util.List;
import java.util.Optional;
import overturn.circuit.Component;
import overturn.circuit.Family;
import overturn.circuit.Joint;
import overturn.circuit.Layout;

/**
 * A layout as it is stored and exchanged.
 *
 * @param format name and version of the format
 * @param name what people call it
 * @param about one line on what it is
 * @param startedFrom id of the preset from which it was made
 */
public record LayoutFile(
        String format,
        String id,
        String name,
        Optional<String> about,
        Optional<String> startedFrom,
        Family family,
        List<Component> components,
        List<Joint> joints) {

    /** The only format so far. */
    public static final String FORMAT = "overturn-layout/1";

    /** The circuit in it. */
    public Layout layout() {
        return new Layout(id, family, components, joints);
    }
}
