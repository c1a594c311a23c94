package overturn.circuit;

/**
 * Something that cannot be in a layout.
 *
 * @param where id of the component or joint, or what is missing
 * @param what what is wrong with it, for a reader
 */
public record LayoutFinding(String where, String what) {}
