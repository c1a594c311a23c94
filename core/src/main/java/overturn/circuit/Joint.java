package overturn.circuit;

import java.util.Objects;

/**
 * Where two components meet: a possible cut point. Every joint can be opened and plugged; a rubber hose can also be
 * clamped at its inlet.
 *
 * @param id unique in the layout
 * @param from id of the component nearer the foot
 * @param to id of the component nearer the wheel
 * @param chamber the chamber whose pressure it carries
 */
public record Joint(String id, String from, String to, Chamber chamber) {

    public Joint {
        Objects.requireNonNull(id, "id");
        Objects.requireNonNull(from, "from");
        Objects.requireNonNull(to, "to");
        Objects.requireNonNull(chamber, "chamber");
    }
}
