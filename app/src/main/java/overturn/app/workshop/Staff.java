package overturn.app.workshop;

import java.util.List;

/** Who works in the workshop. */
public interface Staff {

    /** A person whose name can stand on an entry. */
    record Person(String id, String name, String role) {

        /** Role of those whose names came with a job from another workshop. */
        public static final String ELSEWHERE = "elsewhere";

        /** Whether this person works here and can sign. */
        public boolean here() {
            return !role.equals(ELSEWHERE);
        }

        /**
         * The same person as somebody of another workshop, told apart from whoever has that id here or in a third one.
         */
        public Person fromElsewhere() {
            return here() ? new Person("%s-%s-%x".formatted(ELSEWHERE, id, name.hashCode()), name, ELSEWHERE) : this;
        }
    }

    /** Everybody whose name can be read on an entry, in the order of the list. */
    List<Person> all();

    /** Ids of those who work here and can sign. */
    default List<String> signing() {
        return all().stream().filter(Person::here).map(Person::id).toList();
    }

    /** Adds somebody; does nothing if the id is there. */
    void add(Person person);
}
