package overturn.app.demo;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.app.people.Account;
import overturn.app.people.Role;
import overturn.circuit.Chamber;
import overturn.suspect.Fault;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.CloggedHole;
import overturn.suspect.Fault.Cup;
import overturn.suspect.Fault.ExcessShoeClearance;
import overturn.suspect.Fault.LowSupply;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;
import overturn.suspect.Fault.TrappedAir;

/** The stories: what is really wrong, what the driver says, how far the technician has come. */
final class DemoJobs {

    /** How far a job has come. */
    enum Stage {
        TRACING,
        ACCEPTED,
        UNDER_REPAIR,
        RELEASED_CONDITIONALLY,
        RELEASED
    }

    /**
     * One job.
     *
     * @param hoursAgo when it was opened
     * @param faults what is really wrong
     * @param tests how many tests of the plan are done at most
     * @param misread place of a reading that somebody took with a rig that lied, from 1; 0 where nobody did
     * @param backFrom hours ago at which the job of the same vehicle was opened of which this is the comeback; 0 where
     *     it is none
     */
    record Story(
            String vehicle,
            String layoutId,
            String openedBy,
            String worksOnIt,
            int hoursAgo,
            String complaint,
            String hunchId,
            boolean mayBeMoved,
            List<Fault> faults,
            int tests,
            long seed,
            Stage stage,
            int misread,
            int backFrom) {

        Story {
            faults = List.copyOf(faults);
        }

        /** A job that is still being traced, every reading right. */
        private Story(
                String vehicle,
                String layoutId,
                String openedBy,
                String worksOnIt,
                int hoursAgo,
                String complaint,
                String hunchId,
                boolean mayBeMoved,
                List<Fault> faults,
                int tests,
                long seed) {
            this(
                    vehicle,
                    layoutId,
                    openedBy,
                    worksOnIt,
                    hoursAgo,
                    complaint,
                    hunchId,
                    mayBeMoved,
                    faults,
                    tests,
                    seed,
                    Stage.TRACING,
                    0,
                    0);
        }

        private Story with(int mostTests, Stage far, int misreadAt, int back) {
            return new Story(
                    vehicle,
                    layoutId,
                    openedBy,
                    worksOnIt,
                    hoursAgo,
                    complaint,
                    hunchId,
                    mayBeMoved,
                    faults,
                    mostTests,
                    seed,
                    far,
                    misreadAt,
                    back);
        }

        private Story come(Stage far) {
            return with(MOST_TESTS, far, misread, backFrom);
        }

        private Story comesBackFrom(int daysAgo) {
            return with(tests, stage, misread, daysAgo * HOURS);
        }

        private Story misreading(int place) {
            return with(tests, stage, place, backFrom);
        }
    }

    private static final int MOST_TESTS = 25;
    private static final int HOURS = 24;
    private static final String TARN = "tarn-box-van";

    /** The people of the depot. */
    static final List<Account> STAFF = List.of(
            person("ines-quill", "Ines Quill", Role.LEAD, true),
            person("tobias-renn", "Tobias Renn", Role.TECHNICIAN, true),
            person("marit-osei", "Marit Osei", Role.TECHNICIAN, false),
            person("juno-vale", "Juno Vale", Role.APPRENTICE, false));

    private static Account person(String id, String name, Role role, boolean qualified) {
        return new Account(id, id, name, role, qualified, true, Optional.empty(), Optional.empty());
    }

    static final List<Story> STORIES = List.of(
            new Story(
                    "Tarn SK 14",
                    TARN,
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
                    TARN,
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
                    TARN,
                    "tobias-renn",
                    "tobias-renn",
                    1,
                    "Goes down slowly at the harbour lights and then stops. Came the week after the ramp was flooded.",
                    "second-piston-front-cup",
                    false,
                    List.of(new ReleaseValvePassing(Chamber.PRIMARY, 4, 120)),
                    0,
                    22),
            new Story(
                    "Old Bess",
                    "old-bess-tender",
                    "ines-quill",
                    "marit-osei",
                    30,
                    "Long since the last call-out, and now it also sinks while she stands at the quay with the pump running.",
                    "excess-shoe-clearance",
                    false,
                    List.of(
                            new ExcessShoeClearance(
                                    Set.of("front-left", "front-right", "rear-left", "rear-right"), 0.7),
                            new ByPass(Cup.PRIMARY_PISTON, 6, 0.3, 0, 20)),
                    7,
                    4),
            new Story(
                            "Corvane SK 40",
                            "corvane-flatbed",
                            "tobias-renn",
                            "juno-vale",
                            8,
                            "Hard as a plank coming down the hill with the mail cages on.",
                            "low-pump-flow",
                            false,
                            List.of(new LowSupply(0.35)),
                            6,
                            3)
                    .misreading(3),
            new Story(
                    "Pellow SK 31",
                    "pellow-saloon",
                    "marit-osei",
                    "marit-osei",
                    50,
                    "The relief driver says it feels soft. The regular one says it always did.",
                    "air-in-rear-end",
                    true,
                    List.of(),
                    9,
                    6),
            new Story(
                            "Wisp SK 5",
                            "wisp-courier-brake",
                            "juno-vale",
                            "tobias-renn",
                            3,
                            "Front wheel will not spin after the long hill, smells hot. Fluid looks like tea.",
                            "piston-seized",
                            false,
                            List.of(new CloggedHole(Chamber.PRIMARY, 900)),
                            0,
                            4)
                    .come(Stage.ACCEPTED),
            new Story(
                            "Brack tug 2",
                            "brack-tug-clutch",
                            "ines-quill",
                            "tobias-renn",
                            28,
                            "Grinds into first on the slip when it has been standing, and the fluid is down again.",
                            "clutch-mechanical",
                            true,
                            List.of(new OutwardLeak("slave", Chamber.PRIMARY, 1.2, 0)),
                            0,
                            4)
                    .come(Stage.UNDER_REPAIR),
            new Story(
                            "Pellow SK 18",
                            "pellow-saloon-clutch",
                            "marit-osei",
                            "ines-quill",
                            32,
                            "Bites at the floor since the gearbox was out in the spring refit.",
                            "air-in-slave",
                            true,
                            List.of(new TrappedAir("slave", Chamber.PRIMARY, 2.2)),
                            0,
                            4)
                    .come(Stage.RELEASED_CONDITIONALLY),
            new Story(
                            "Ardle SK 2",
                            "ardle-mail-trike",
                            "juno-vale",
                            "marit-osei",
                            75,
                            "Long pedal on the morning round after the salt week.",
                            "primary-piston-cup",
                            true,
                            List.of(new ExcessShoeClearance(Set.of("rear-left", "rear-right"), 1.1)),
                            0,
                            2)
                    .come(Stage.RELEASED),
            new Story(
                            "Tarn SK 03",
                            TARN,
                            "tobias-renn",
                            "tobias-renn",
                            98,
                            "Sinks at the crossing. Was topped up twice on the run to the north pier.",
                            "primary-piston-cup",
                            false,
                            List.of(new OutwardLeak("rear-left", Chamber.SECONDARY, 2, 0)),
                            0,
                            5)
                    .come(Stage.RELEASED));

    /** Jobs that were closed long ago: what the record tells and learns from. */
    static final List<Story> PAST = List.of(
            past(
                    "Tarn SK 07",
                    TARN,
                    "tobias-renn",
                    410,
                    "Long pedal after the winter, first press near the floor.",
                    "air-in-rear-end",
                    new ExcessShoeClearance(Set.of("rear-left", "rear-right"), 1.2),
                    41),
            past(
                    "Tarn SK 14",
                    TARN,
                    "marit-osei",
                    300,
                    "Sinks slowly on the ferry ramp.",
                    "primary-piston-cup",
                    new ByPass(Cup.PRIMARY_PISTON, 4, 0.2, 0, 10),
                    42),
            past(
                    "Ardle SK 2",
                    "ardle-mail-trike",
                    "juno-vale",
                    240,
                    "Long pedal on the morning round.",
                    "air-in-rear-end",
                    new ExcessShoeClearance(Set.of("rear-left", "rear-right"), 1.3),
                    43),
            past(
                    "Tarn SK 03",
                    TARN,
                    "tobias-renn",
                    205,
                    "Level falls every week, pedal long on the north pier run.",
                    "outward-leak-rear",
                    new OutwardLeak("rear-left", Chamber.SECONDARY, 3, 0),
                    44),
            past(
                    "Tarn SK 22",
                    TARN,
                    "ines-quill",
                    150,
                    "Long after a week of stop and go with the mail.",
                    "air-in-rear-end",
                    new ExcessShoeClearance(Set.of("rear-left", "rear-right"), 1.1),
                    45),
            past(
                    "Pellow SK 31",
                    "pellow-saloon",
                    "marit-osei",
                    120,
                    "Sinks at every light, hard to stop behind the tractor.",
                    "primary-piston-cup",
                    new ByPass(Cup.PRIMARY_PISTON, 5, 0.2, 0, 10),
                    46),
            past(
                    "Tarn SK 11",
                    TARN,
                    "juno-vale",
                    96,
                    "Spongy since the hoses were done.",
                    "air-in-rear-end",
                    new TrappedAir("rear-left", Chamber.SECONDARY, 2.5),
                    47),
            past(
                            "Tarn SK 11",
                            TARN,
                            "tobias-renn",
                            80,
                            "Spongy again, worse in the morning.",
                            "air-in-rear-end",
                            new TrappedAir("rear-right", Chamber.SECONDARY, 3),
                            48)
                    .comesBackFrom(96),
            past(
                    "Corvane SK 40",
                    "corvane-flatbed",
                    "tobias-renn",
                    45,
                    "Hard as a plank with the engine idling.",
                    "low-pump-flow",
                    new LowSupply(0.4),
                    49));

    private static Story past(
            String vehicle,
            String layoutId,
            String worksOnIt,
            int daysAgo,
            String complaint,
            String hunchId,
            Fault fault,
            long seed) {
        return new Story(
                        vehicle,
                        layoutId,
                        "ines-quill",
                        worksOnIt,
                        daysAgo * HOURS,
                        complaint,
                        hunchId,
                        true,
                        List.of(fault),
                        MOST_TESTS,
                        seed)
                .come(Stage.RELEASED);
    }

    private DemoJobs() {}
}
