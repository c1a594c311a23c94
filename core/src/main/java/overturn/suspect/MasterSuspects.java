package overturn.suspect;

import static overturn.suspect.SuspectList.between;

import java.util.List;
import overturn.circuit.Chamber;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.Cup;
import overturn.suspect.Suspect.Origin;

/** What can fail in the master and its reservoir. */
final class MasterSuspects {

    private static final Severity BY_PASS_ML_PER_MIN = Severity.of(3.5, 2.2, 0.5, 60);
    private static final Severity SMALL_BY_PASS_ML_PER_MIN = Severity.of(1.2, 2.2, 0.2, 20);
    private static final Severity HIDDEN_WEEP_ML_PER_DAY = Severity.of(3, 2.2, 0.3, 20);
    private static final Severity SMALL_AIR_ML = Severity.of(0.7, 1.8, 0.15, 3);
    private static final Severity HOLE_DRAIN_SECONDS = Severity.of(150, 3.5, 8, 20_000);
    private static final Severity STICKING_SHARE = Severity.of(0.9, 1.5, 0.4, 3);
    private static final Severity STICKING_SECONDS = Severity.of(0.9, 1.6, 0.3, 4);
    private static final Severity BORE_STEP = Severity.of(0.2, 1.4, 0.1, 0.45);
    private static final Severity SHUT_BAR = Severity.of(1.6, 1.5, 0.8, 5);
    private static final Severity RESERVOIR_LEAK_ML_PER_MIN = Severity.of(0.4, 2, 0.05, 3);
    private static final Severity DRAIN_BACK_SHARE = Severity.of(0.25, 1.5, 0.1, 0.6);
    /** Area of a bore worn as far as is sound, by the new one; estimate. */
    private static final double SOUND_WORN_BORE = 1.004;

    private MasterSuspects() {}

    static void addTo(SuspectList list) {
        boolean tandem = list.layout().master().tandem();
        List<String> tandemMaster = tandem ? list.master() : List.of();
        boolean small = list.layout().family().lever() || list.layout().family().clutch();
        cup(
                list,
                "primary-piston-cup",
                list.master(),
                Cup.PRIMARY_PISTON,
                Frequency.NONE
                        .vacuumBrake(3)
                        .unassistedBrake(tandem ? 5 : 10)
                        .hydraulicBrake(2)
                        .pedalClutch(12)
                        .concentricClutch(9)
                        .leverBrake(8)
                        .leverClutch(7));
        cup(
                list,
                "second-piston-rear-cup",
                tandemMaster,
                Cup.SECOND_PISTON_REAR,
                Frequency.NONE.vacuumBrake(1.2).unassistedBrake(2).hydraulicBrake(1));
        cup(
                list,
                "second-piston-front-cup",
                tandemMaster,
                Cup.SECOND_PISTON_FRONT,
                Frequency.NONE.vacuumBrake(1.8).unassistedBrake(3).hydraulicBrake(1.2));
        list.add(
                "rear-seal-weeping",
                list.master(),
                Remedy.RENEW_MASTER,
                Origin.WEAR,
                Frequency.NONE
                        .vacuumBrake(3)
                        .unassistedBrake(3)
                        .hydraulicBrake(2)
                        .pedalClutch(4)
                        .concentricClutch(3)
                        .leverBrake(2)
                        .leverClutch(3),
                (q, l, r) -> List.of(new Fault.HiddenWeep(HIDDEN_WEEP_ML_PER_DAY.at(q) * (small ? 0.5 : 1))));
        list.add(
                "bore-pitted",
                list.master(),
                Remedy.RENEW_MASTER,
                Origin.WEAR,
                Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(1)
                        .hydraulicBrake(0.3)
                        .pedalClutch(1)
                        .concentricClutch(1)
                        .leverBrake(0.5)
                        .leverClutch(0.5),
                (q, l, r) -> {
                    double fromMm = between(r, 0, 0.5) * l.master().primaryStrokeMm();
                    double flow = small ? SMALL_BY_PASS_ML_PER_MIN.at(q) : BY_PASS_ML_PER_MIN.at(q);
                    return List.of(
                            new ByPass(
                                    Cup.PRIMARY_PISTON, flow, between(r, 0.3, 0.8), fromMm, fromMm + between(r, 2, 5)),
                            new Fault.WrongBore(SOUND_WORN_BORE));
                });
        list.add(
                "air-in-master",
                list.master(),
                Remedy.BLEED_MASTER,
                Origin.AIR,
                Frequency.NONE
                        .vacuumBrake(3)
                        .unassistedBrake(3)
                        .hydraulicBrake(2)
                        .pedalClutch(3)
                        .concentricClutch(4)
                        .leverBrake(6)
                        .leverClutch(6),
                (q, l, r) -> List.of(new Fault.TrappedAir(
                        l.master().id(), list.anyChamber(r), small ? SMALL_AIR_ML.at(q) : AirSeverity.BRAKE_ML.at(q))));
        list.add(
                "hole-clogged",
                list.master(),
                Remedy.CLEAN_MASTER,
                Origin.WEAR,
                Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(3)
                        .hydraulicBrake(0.5)
                        .pedalClutch(0.7)
                        .concentricClutch(0.5)
                        .leverBrake(13)
                        .leverClutch(6),
                (q, l, r) -> List.of(new Fault.CloggedHole(list.anyChamber(r), HOLE_DRAIN_SECONDS.at(q))));
        list.add(
                "master-piston-sticking",
                list.master(),
                Remedy.RENEW_MASTER,
                Origin.WEAR,
                Frequency.NONE
                        .vacuumBrake(0.4)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.4)
                        .pedalClutch(1)
                        .concentricClutch(1)
                        .leverBrake(1.5)
                        .leverClutch(1),
                (q, l, r) -> List.of(new Fault.PistonSticking(
                        STICKING_SHARE.at(q) * l.master().springsN(), STICKING_SECONDS.at(q))));
        list.add(
                "bore-too-large",
                list.master(),
                Remedy.FIT_RIGHT_MASTER,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.1)
                        .pedalClutch(0.7)
                        .concentricClutch(0.5)
                        .leverBrake(0.7)
                        .leverClutch(0.7),
                (q, l, r) -> List.of(new Fault.WrongBore(1 + BORE_STEP.at(q))));
        list.add(
                "bore-too-small",
                list.master(),
                Remedy.FIT_RIGHT_MASTER,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.1)
                        .pedalClutch(0.7)
                        .concentricClutch(0.5)
                        .leverBrake(0.7)
                        .leverClutch(0.7),
                (q, l, r) -> List.of(new Fault.WrongBore(1 / (1 + BORE_STEP.at(q)))));
        residualValves(list);
        list.add(
                "reservoir-shut",
                List.of(list.layout().reservoir().id()),
                Remedy.SET_LEVEL,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(0.5)
                        .hydraulicBrake(0.3)
                        .pedalClutch(0.3)
                        .concentricClutch(0.3)
                        .leverBrake(0.7)
                        .leverClutch(0.7),
                (q, l, r) -> List.of(new Fault.ReservoirShut(SHUT_BAR.at(q))));
        list.add(
                "reservoir-weeping",
                List.of(list.layout().reservoir().id()),
                Remedy.RESEAL_RESERVOIR,
                Origin.WEAR,
                Frequency.NONE
                        .vacuumBrake(0.7)
                        .unassistedBrake(0.5)
                        .hydraulicBrake(0.5)
                        .pedalClutch(0.7)
                        .concentricClutch(0.7)
                        .leverBrake(0.7)
                        .leverClutch(0.7),
                (q, l, r) -> List.of(new Fault.OutwardLeak(
                        l.reservoir().id(), Chamber.PRIMARY, RESERVOIR_LEAK_ML_PER_MIN.at(q), 0)));
        list.add(
                "ports-crossed",
                tandemMaster,
                Remedy.REROUTE_PORTS,
                Origin.SETTING,
                Frequency.NONE.vacuumBrake(0.1).unassistedBrake(0.7).hydraulicBrake(0.1),
                (q, l, r) -> List.of(new Fault.PortsCrossed()));
    }

    private static void residualValves(SuspectList list) {
        boolean valve = list.layout().master().residualValveBar() > 0;
        boolean discs = !list.layout().all(DiscEnd.class).isEmpty();
        boolean drums = !list.layout().all(DrumEnd.class).isEmpty();
        list.add(
                "residual-valve-unwanted",
                discs && !valve ? list.master() : List.of(),
                Remedy.RESIDUAL_VALVE,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(0.7)
                        .hydraulicBrake(0.1)
                        .leverBrake(0.3),
                (q, l, r) -> List.of(new Fault.ResidualValveWrong(true, 0.7 + 0.6 * q)));
        list.add(
                "residual-valve-missing",
                drums && valve ? list.master() : List.of(),
                Remedy.RESIDUAL_VALVE,
                Origin.SETTING,
                Frequency.NONE.unassistedBrake(1),
                (q, l, r) -> List.of(new Fault.ResidualValveWrong(false, 0), drainBack(q, list)));
        list.add(
                "drain-back",
                list.master(),
                Remedy.RESIDUAL_VALVE,
                Origin.NEITHER,
                Frequency.NONE.unassistedBrake(1.2).concentricClutch(1),
                (q, l, r) -> List.of(drainBack(q, list)));
    }

    private static Fault drainBack(double q, SuspectList list) {
        return new Fault.DrainBack(
                DRAIN_BACK_SHARE.at(q) * list.layout().master().strokeMl(Chamber.PRIMARY));
    }

    private static void cup(SuspectList list, String id, List<String> places, Cup cup, Frequency frequency) {
        boolean small = list.layout().family().lever() || list.layout().family().clutch();
        double strokeShare = list.layout().master().primaryStrokeMm() / 15;
        list.add(id, places, Remedy.RENEW_MASTER, Origin.WEAR, frequency, (q, l, r) -> {
            double zoneFromMm = strokeShare * (r.nextDouble() < 0.7 ? 0 : 1 + 3 * r.nextDouble());
            double zoneLengthMm = strokeShare * (6 + 14 * r.nextDouble());
            double lipExponent = -0.4 + 0.9 * r.nextDouble();
            double flow = small ? SMALL_BY_PASS_ML_PER_MIN.at(q) : BY_PASS_ML_PER_MIN.at(q);
            return List.of(new ByPass(cup, flow, lipExponent, zoneFromMm, zoneFromMm + zoneLengthMm));
        });
    }
}
