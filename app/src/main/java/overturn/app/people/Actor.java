package overturn.app.people;

import java.util.Arrays;
import java.util.List;

/**
 * Somebody who does something here, as signed in, or as an entry that waited on a device is signed.
 *
 * @param qualified whether the workshop marked this person as one who may release vehicles
 */
public record Actor(String personId, Role role, boolean qualified) {

    public boolean may(Act act) {
        return act.allows(role) && (act != Act.RELEASE || qualified);
    }

    /** The same in an exercise, where everything may be practised. */
    public Actor practising() {
        return new Actor(personId, Role.LEAD, true);
    }

    /** Everything that this person may do. */
    public List<Act> acts() {
        return Arrays.stream(Act.values()).filter(this::may).toList();
    }

    /** @throws NotAllowedException if this person may not */
    public void require(Act act) {
        if (!may(act)) {
            throw new NotAllowedException(this, act);
        }
    }
}
