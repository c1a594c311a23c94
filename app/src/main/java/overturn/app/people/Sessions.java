package overturn.app.people;

/** Who is signed in where. */
public interface Sessions {

    /** Signs somebody out everywhere. */
    void endAllOf(String personId);
}
