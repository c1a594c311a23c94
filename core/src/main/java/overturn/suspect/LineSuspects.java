package overturn.suspect;

import static overturn.suspect.SuspectList.anyOf;
import static overturn.suspect.SuspectList.between;

import java.util.List;
import java.util.Set;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.MeteringValve;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.Component.QuickConnector;
import overturn.circuit.End;
import overturn.suspect.Fault.OutwardLeak;

/** What can fail between the master's ports and the ends. */
final class LineSuspects {

    static final Severity OUTWARD_ML_PER_MIN = Severity.median(0.8).spread(2.5).within(0.05, 20);
    private static final Severity RELEASE_VALVE_ML_PER_MIN =
            Severity.median(8).spread(3).within(2, 300);
    private static final Severity HOSE_FACTOR = Severity.median(8).spread(1.5).within(3, 18);
    private static final Severity FLAP_BAR = Severity.median(7).spread(1.6).within(2, 20);
    private static final Severity RESTRICTION_SECONDS =
            Severity.median(3).spread(1.6).within(1, 12);
    /**
     * Share of the vehicles whose pedal comes back at once, since the master draws in out of the reservoir what is
     * still behind the narrow place; estimate.
     */
    private static final double PEDAL_COMES_BACK_SHARE = 0.65;

    /** How far a pedal follows what comes back slowly, as a share of its time constant; estimate. */
    private static final double MOST_PEDAL_SHARE = 0.4;

    private static final Severity KNEE_STEP = Severity.median(0.6).spread(1.4).within(0.3, 1.5);
    private static final Severity ACTING_SHARE =
            Severity.median(0.5).spread(1.4).within(0.2, 0.9);

    private LineSuspects() {}

    static void addTo(SuspectList list) {
        List<String> joints = Stream.of(list.of(Pipe.class), list.modulator(), list.of(ProportioningValve.class))
                .flatMap(List::stream)
                .toList();
        outward(
                list,
                "weeping-joint",
                joints.isEmpty() ? list.master() : joints,
                Remedy.MAKE_JOINT_DRY,
                Frequency.NONE
                        .vacuumBrake(6)
                        .unassistedBrake(5)
                        .hydraulicBrake(5)
                        .pedalClutch(4)
                        .concentricClutch(6)
                        .leverBrake(3)
                        .leverClutch(1));
        outward(
                list,
                "hose-weeping",
                list.of(Hose.class),
                Remedy.RENEW_HOSES,
                Frequency.NONE
                        .vacuumBrake(1.5)
                        .unassistedBrake(2)
                        .hydraulicBrake(1)
                        .pedalClutch(1)
                        .concentricClutch(0.5)
                        .leverBrake(1)
                        .leverClutch(0.5));
        outward(
                list,
                "connector-weeping",
                list.of(QuickConnector.class),
                Remedy.RENEW_CONNECTOR,
                Frequency.NONE.pedalClutch(1).concentricClutch(3));
        list.suspect("swelling-hoses")
                .at(list.of(Hose.class))
                .curedBy(Remedy.RENEW_HOSES)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(1.5)
                        .unassistedBrake(3)
                        .hydraulicBrake(1)
                        .pedalClutch(2)
                        .concentricClutch(1)
                        .leverBrake(2)
                        .leverClutch(1))
                .faults((q, l, r) ->
                        List.of(new Fault.HoseSwelling(Set.copyOf(list.of(Hose.class)), HOSE_FACTOR.at(q))));
        list.suspect("hose-flap")
                .at(brakeHoses(list))
                .curedBy(Remedy.RENEW_HOSES)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.9)
                        .unassistedBrake(2)
                        .hydraulicBrake(0.8)
                        .leverBrake(1))
                .faults((q, l, r) -> List.of(new Fault.Flap(anyOf(list.of(Hose.class), r), FLAP_BAR.at(q))));
        list.suspect("hose-restricted")
                .at(list.of(Hose.class))
                .curedBy(Remedy.RENEW_HOSES)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.6)
                        .unassistedBrake(1)
                        .hydraulicBrake(0.5)
                        .pedalClutch(1)
                        .concentricClutch(1)
                        .leverBrake(0.5)
                        .leverClutch(0.5))
                .faults((q, l, r) -> List.of(restriction(list.of(Hose.class), q, r)));
        list.suspect("pipe-kinked")
                .at(list.of(Pipe.class))
                .curedBy(Remedy.RENEW_PIPE)
                .frequency(Frequency.NONE
                        .vacuumBrake(0.2)
                        .unassistedBrake(0.6)
                        .hydraulicBrake(0.3)
                        .pedalClutch(0.7)
                        .concentricClutch(0.7))
                .faults((q, l, r) -> List.of(restriction(list.of(Pipe.class), q, r)));
        list.suspect("air-in-modulator")
                .at(list.modulator())
                .curedBy(Remedy.BLEED_MODULATOR)
                .fromAir()
                .frequency(Frequency.NONE.vacuumBrake(3).unassistedBrake(3).hydraulicBrake(2))
                .faults((q, l, r) -> List.of(
                        new Fault.TrappedAir(list.modulator().get(0), list.anyChamber(r), AirSeverity.BRAKE_ML.at(q))));
        list.suspect("release-valve-passing")
                .at(list.modulator())
                .curedBy(Remedy.RENEW_MODULATOR)
                .fromWear()
                .frequency(Frequency.NONE.vacuumBrake(0.5).unassistedBrake(0.5).hydraulicBrake(0.4))
                .faults((q, l, r) -> List.of(new Fault.ReleaseValvePassing(
                        list.anyChamber(r), RELEASE_VALVE_ML_PER_MIN.at(q), between(r, 40, 240))));
        list.suspect("modulator-acting")
                .at(list.modulator())
                .curedBy(Remedy.MEND_MODULATOR_SIGNAL)
                .fromWear()
                .frequency(Frequency.NONE.vacuumBrake(0.5).unassistedBrake(0.5).hydraulicBrake(0.4))
                .faults((q, l, r) -> List.of(new Fault.ModulatorActing(ACTING_SHARE.at(q))));
        List<String> valves = Stream.of(list.of(ProportioningValve.class), list.of(MeteringValve.class))
                .flatMap(List::stream)
                .toList();
        list.suspect("valve-shifted")
                .at(valves)
                .curedBy(Remedy.RENEW_VALVE)
                .fromWear()
                .frequency(Frequency.NONE.vacuumBrake(0.7).unassistedBrake(1.5).hydraulicBrake(0.5))
                .faults((q, l, r) -> List.of(new Fault.ValveShifted(
                        anyOf(valves, r), r.nextBoolean() ? 1 + KNEE_STEP.at(q) : 1 / (1 + KNEE_STEP.at(q)))));
    }

    private static Fault restriction(List<String> places, double q, RandomGenerator r) {
        String place = anyOf(places, r);
        double seconds = RESTRICTION_SECONDS.at(q);
        double pedalShare = r.nextDouble() < PEDAL_COMES_BACK_SHARE ? 0 : between(r, 0.05, MOST_PEDAL_SHARE);
        return new Fault.Restriction(place, seconds, pedalShare * seconds);
    }

    private static List<String> brakeHoses(SuspectList list) {
        return list.layout().all(End.Slave.class).isEmpty() ? list.of(Hose.class) : List.of();
    }

    static void outward(SuspectList list, String id, List<String> places, Remedy remedy, Frequency frequency) {
        list.suspect(id)
                .at(places)
                .curedBy(remedy)
                .fromWear()
                .frequency(frequency)
                .faults((q, l, r) -> {
                    String place = anyOf(places, r);
                    double opensAtBar = r.nextDouble() < 0.6 ? 0 : between(r, 30, 60);
                    return List.of(new OutwardLeak(
                            place,
                            place.equals(l.master().id()) ? overturn.circuit.Chamber.PRIMARY : list.chamberOf(place),
                            OUTWARD_ML_PER_MIN.at(q),
                            opensAtBar));
                });
    }
}
