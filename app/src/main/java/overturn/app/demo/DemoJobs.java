package overturn.app.demo;

import java.util.List;
import java.util.Set;
import overturn.app.workshop.Staff.Person;
import overturn.circuit.Chamber;
import overturn.suspect.Fault;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.Cup;
import overturn.suspect.Fault.ExcessShoeClearance;
import overturn.suspect.Fault.ReleaseValvePassing;

/** The stories: what is really wrong, what the driver says, how far the technician has come. */
final class DemoJobs {

    /**
     * One job.
     *
     * @param hoursAgo when it was opened
     * @param faults what is really wrong
     * @param tests how many tests of the plan are done already
     */
    record Story(
            String vehicle,
            String openedBy,
            String worksOnIt,
            int hoursAgo,
            String complaint,
            String hunchId,
            boolean mayBeMoved,
            List<Fault> faults,
            int tests,
            long seed) {

        Story {
            faults = List.copyOf(faults);
        }
    }

    /** The people of the depot. */
    static final List<Person> STAFF = List.of(
            new Person("ines-quill", "Ines Quill", "lead"),
            new Person("tobias-renn", "Tobias Renn", "technician"),
            new Person("marit-osei", "Marit Osei", "technician"),
            new Person("juno-vale", "Juno Vale", "apprentice"));

    static final List<Story> STORIES = List.of(
            new Story(
                    "Tarn SK 14",
                    "marit-osei",
                    "tobias-renn",
                    5,
                    "Sinks to the boards when I wait at the ferry ramp. Pump it and it is back.",
                    "primary-piston-cup",
                    false,
                    List.of(new ByPass(Cup.PRIMARY_PISTON, 3.2, 0.2, 0, 10)),
                    3,
                    32),
            new Story(
                    "Tarn SK 07",
                    "juno-vale",
                    "juno-vale",
                    26,
                    "Long pedal since the rear linings were done before the storm week. First press at the depot gate nearly missed it.",
                    "air-in-rear-end",
                    true,
                    List.of(new ExcessShoeClearance(Set.of("rear-left", "rear-right"), 1.3)),
                    9,
                    7),
            new Story(
                    "Tarn SK 22",
                    "tobias-renn",
                    "tobias-renn",
                    1,
                    "Goes down slowly at the harbour lights and then stops. Came the week after the ramp was flooded.",
                    "second-piston-front-cup",
                    false,
                    List.of(new ReleaseValvePassing(Chamber.PRIMARY, 4, 120)),
                    0,
                    22));

    private DemoJobs() {}
}
