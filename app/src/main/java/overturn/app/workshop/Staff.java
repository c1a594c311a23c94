package overturn.app.workshop;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Who works in the workshop. */
public interface Staff {

    /** A person whose name can stand on an entry. */
    record Person(String id, String name, String role) {

        /** Role of those who worked here once. */
        public static final String LEFT = "left";
        /** Role of those whose names came with a job from another workshop. */
        public static final String ELSEWHERE = "elsewhere";

        private static final Pattern FROM_ELSEWHERE = Pattern.compile(ELSEWHERE + "-(.+)-[0-9a-f]{1,8}");

        /** Whether this person works here and can sign. */
        public boolean here() {
            return !role.equals(ELSEWHERE) && !role.equals(LEFT);
        }

        /** Whether an id is that of somebody of another workshop. */
        public static boolean isElsewhere(String id) {
            return id.startsWith(ELSEWHERE + "-");
        }

        /**
         * Whoever comes in a file is somebody of another workshop, whatever the file says, under an id that tells them
         * apart from everybody of that id here or in a third workshop. Taken along again the id stays what it is.
         */
        public Person fromElsewhere() {
            Matcher before = FROM_ELSEWHERE.matcher(id);
            String there = before.matches() ? before.group(1) : id;
            return new Person("%s-%s-%x".formatted(ELSEWHERE, there, name.hashCode()), name, ELSEWHERE);
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
