package overturn.app.job;

import java.util.List;
import java.util.UUID;
import overturn.measurement.ReadingValue;
import overturn.measurement.RigTrust;

/** What an entry of the log says. Entries are appended and struck, never changed. */
public sealed interface Entry {

    /** The stable name of this kind of entry in the store. */
    String kind();

    /**
     * A job was opened.
     *
     * @param vehicle   how the workshop calls it, for example its plate
     * @param layoutId  its circuit
     * @param complaint the driver's own words
     * @param hunchId   the suspect that whoever opened it would have bet on
     * @param mayBeMoved whether it may be moved at all
     * @param recentWork whether the system was worked on just before
     * @param age        how old its parts are: {@code UNKNOWN}, {@code NEW}, {@code OLD}
     * @param sometimes  whether the complaint is there only sometimes
     */
    record JobOpened(String vehicle, String layoutId, String complaint, String hunchId, boolean mayBeMoved, Boolean recentWork, String age,
                     Boolean sometimes) implements Entry {
        public static final String KIND = "job-opened";

        /** Jobs opened before these facts were asked hold none of them. */
        public JobOpened {
            recentWork = Boolean.TRUE.equals(recentWork);
            age = age == null ? "UNKNOWN" : age;
            sometimes = Boolean.TRUE.equals(sometimes);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** A reading was taken. */
    record ReadingTaken(String procedureId, ReadingValue value, String rigSetup, RigTrust trust) implements Entry {
        public static final String KIND = "reading-taken";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** A test cannot be done here. */
    record TestSetAside(String procedureId, String why) implements Entry {
        public static final String KIND = "test-set-aside";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** What was fitted was taken off, the circuit closed and bled. */
    record FittingsTakenOff(List<String> items) implements Entry {
        public static final String KIND = "fittings-taken-off";

        public FittingsTakenOff {
            items = List.copyOf(items);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** An earlier entry no longer counts. */
    record EntryStruck(UUID struckId, String why) implements Entry {
        public static final String KIND = "entry-struck";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * The verdict was accepted as it stood on the screen.
     *
     * @param remedyIds   what will be done: one remedy, or both of a pair
     * @param grade       its grade at that moment; less than proven is recorded as assumed
     * @param probability its probability at that moment
     * @param carrierIds  entries of the readings that carried it
     * @param missing     what was missing for a proof
     * @param why         why on less than proof; empty when proven
     */
    record VerdictAccepted(List<String> remedyIds, String grade, double probability, List<UUID> carrierIds, List<String> missing, String why) implements Entry {
        public static final String KIND = "verdict-accepted";

        public VerdictAccepted {
            remedyIds = List.copyOf(remedyIds);
            carrierIds = List.copyOf(carrierIds);
            missing = List.copyOf(missing);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * A result of the bench was noted.
     *
     * @param inputs  as typed; what is not there stood at the layout's figure
     * @param outputs in core units, as calculated at that moment
     * @param notices what was said with them
     */
    record NoteWritten(String text, String calculatorId, List<NotedInput> inputs, List<NotedOutput> outputs, List<String> notices) implements Entry {
        public static final String KIND = "note-written";

        public NoteWritten {
            inputs = List.copyOf(inputs);
            outputs = List.copyOf(outputs);
            notices = List.copyOf(notices);
        }

        /** One input as typed. */
        public record NotedInput(String id, String text, String unit) {
        }

        /** One output. */
        public record NotedOutput(String id, String unit, double value, double sd) {
        }

        @Override
        public String kind() {
            return KIND;
        }
    }
}
