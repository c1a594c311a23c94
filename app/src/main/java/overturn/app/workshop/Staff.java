package overturn.app.workshop;

import java.util.List;

/** Who works in the workshop. */
public interface Staff {

    /** A person whose name can stand on an entry. */
    record Person(String id, String name, String role) {}

    /** Everybody, in the order of the list. */
    List<Person> all();

    /** Adds somebody; does nothing if the id is there. */
    void add(Person person);
}
