package overturn.circuit;

/** The kind of layout. */
public enum Family { VACUUM_BRAKE }
