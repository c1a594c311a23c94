package overturn.app.people;

import java.util.Locale;

/**
 * What can be done here, and from which role on. Every role may do what the one before it may; docs/people.md holds the
 * same table, and a test compares them. Reading is for whoever is signed in.
 */
public enum Act {
    /** Jobs, tests, walks, notes, pictures, marks on the vehicle, vehicle facts, and the repair as far as it goes. */
    WORK(Role.APPRENTICE),
    ACCEPT_PROVEN(Role.APPRENTICE),
    /** A verdict that is probable or open, at the risk of a wrong part. */
    ACCEPT_UNPROVEN(Role.TECHNICIAN),
    /** To say that a part is wanted or ordered. */
    ORDER(Role.TECHNICIAN),
    /** What somebody else entered; one's own entries anybody may strike. */
    STRIKE_ANOTHERS(Role.TECHNICIAN),
    GIVE_UP_JOB(Role.TECHNICIAN),
    /** To say as another person that the checks of a release were looked at. */
    SECOND_CHECK(Role.TECHNICIAN),
    /** Asks besides for the mark of a person that is qualified. */
    RELEASE(Role.TECHNICIAN),
    TAKE_IN_JOB_FILE(Role.TECHNICIAN),
    SAVE_LAYOUT(Role.TECHNICIAN),
    WITHDRAW_LAYOUT(Role.LEAD),
    /** Tools, schools, prices. */
    TELL_WORKSHOP(Role.LEAD),
    /** Health in detail, the description of the API. */
    LOOK_AFTER_SERVER(Role.LEAD),
    /** For others, or of a chosen fault; and to see how everybody does. Practising is for all. */
    SET_EXERCISE(Role.LEAD),
    SEE_PEOPLE(Role.LEAD),
    ENROL_TABLET(Role.LEAD),
    MANAGE_PEOPLE(Role.OWNER),
    MANAGE_TOKENS(Role.OWNER),
    /** By name, with a zero check; and to take one out of use. */
    REGISTER_INSTRUMENT(Role.OWNER),
    /** Names, plates, customers and pictures, on request. */
    ERASE_DATA(Role.OWNER);

    private final Role from;

    Act(Role from) {
        this.from = from;
    }

    /** Stable id, in small letters with hyphens. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The lowest role that may. */
    public Role from() {
        return from;
    }

    public boolean allows(Role role) {
        return role.compareTo(from) >= 0;
    }
}
