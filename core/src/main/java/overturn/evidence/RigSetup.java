package overturn.evidence;

/**
 * Names of rig set-ups: the kind of rig, and which one of that kind it is; trust belongs to the set-up, since all its
 * readings share its faults.
 */
public final class RigSetup {

    private static final String NUMBERED = "-rig-";

    private RigSetup() {}

    /** The name of the first, second … set-up of a kind; {@code number} counts from 1. */
    public static String name(String kind, int number) {
        return number == 1 ? kind : kind + NUMBERED + number;
    }

    /** The kind of a set-up by its name. */
    public static String kind(String name) {
        int at = name.lastIndexOf(NUMBERED);
        return at < 0 ? name : name.substring(0, at);
    }
}
