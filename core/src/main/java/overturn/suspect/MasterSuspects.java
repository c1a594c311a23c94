package overturn.suspect;

import static overturn.suspect.SuspectList.between;

import java.util.List;
import overturn.circuit.Chamber;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.Cup;

/** What can fail in the master and its reservoir. */
final class MasterSuspects {

    private static final Severity BY_PASS_ML_PER_MIN =
            Severity.median(3.5).spread(2.2).within(0.5, 60);
    private static final Severity SMALL_BY_PASS_ML_PER_MIN =
            Severity.median(1.2).spread(2.2).within(0.2, 20);
    private static final Severity HIDDEN_WEEP_ML_PER_DAY =
            Severity.median(3).spread(2.2).within(0.3, 20);
    private static final Severity SMALL_AIR_ML =
            Severity.median(0.7).spread(1.8).within(0.15, 3);
    private static final Severity HOLE_DRAIN_SECONDS =
            Severity.median(150).spread(3.5).within(8, 20_000);
    private static final Severity STICKING_SHARE =
            Severity.median(0.9).spread(1.5).within(0.4, 3);
    private static final Severity STICKING_SECONDS =
            Severity.median(0.9).spread(1.6).within(0.3, 4);
    private static final Severity BORE_STEP = Severity.median(0.2).spread(1.4).within(0.1, 0.45);
    private static final Severity SHUT_BAR = Severity.median(1.6).spread(1.5).within(0.8, 5);
    private static final Severity RESERVOIR_LEAK_ML_PER_MIN =
            Severity.median(0.4).spread(2).within(0.05, 3);
    private static final Severity DRAIN_BACK_SHARE =
            Severity.median(0.25).spread(1.5).within(0.1, 0.6);
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
        list.suspect("rear-seal-weeping")
                .at(list.master())
                .curedBy(Remedy.RENEW_MASTER)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(3)
                        .unassistedBrake(3)
                        .hydraulicBrake(2)
                        .pedalClutch(4)
                        .concentricClutch(3)
                        .leverBrake(2)
                        .leverClutch(3))
                .faults((q, l, r) -> List.of(new Fault.HiddenWeep(HIDDEN_WEEP_ML_PER_DAY.at(q) * (small ? 0.5 : 1))));
        list.suspect("bore-pitted")
                .at(list.master())
                .curedBy(Remedy.RENEW_MASTER)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(1)
                        .hydraulicBrake(0.3)
                        .pedalClutch(1)
                        .concentricClutch(1)
                        .leverBrake(0.5)
                        .leverClutch(0.5))
                .faults((q, l, r) -> {
                    double fromMm = between(r, 0, 0.5) * l.master().primaryStrokeMm();
                    double flow = small ? SMALL_BY_PASS_ML_PER_MIN.at(q) : BY_PASS_ML_PER_MIN.at(q);
                    return List.of(
                            new ByPass(
                                    Cup.PRIMARY_PISTON, flow, between(r, 0.3, 0.8), fromMm, fromMm + between(r, 2, 5)),
                            new Fault.WrongBore(SOUND_WORN_BORE));
                });
        list.suspect("air-in-master")
                .at(list.master())
                .curedBy(Remedy.BLEED_MASTER)
                .fromAir()
                .frequency(Frequency.NONE
                        .vacuumBrake(3)
                        .unassistedBrake(3)
                        .hydraulicBrake(2)
                        .pedalClutch(3)
                        .concentricClutch(4)
                        .leverBrake(6)
                        .leverClutch(6))
                .faults((q, l, r) -> List.of(new Fault.TrappedAir(
                        l.master().id(), list.anyChamber(r), small ? SMALL_AIR_ML.at(q) : AirSeverity.BRAKE_ML.at(q))));
        list.suspect("hole-clogged")
                .at(list.master())
                .curedBy(Remedy.CLEAN_MASTER)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(3)
                        .hydraulicBrake(0.5)
                        .pedalClutch(0.7)
                        .concentricClutch(0.5)
                        .leverBrake(13)
                        .leverClutch(6))
                .faults((q, l, r) -> List.of(new Fault.CloggedHole(list.anyChamber(r), HOLE_DRAIN_SECONDS.at(q))));
        list.suspect("master-piston-sticking")
                .at(list.master())
                .curedBy(Remedy.RENEW_MASTER)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.4)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.4)
                        .pedalClutch(1)
                        .concentricClutch(1)
                        .leverBrake(1.5)
                        .leverClutch(1))
                .faults((q, l, r) -> List.of(new Fault.PistonSticking(
                        STICKING_SHARE.at(q) * l.master().springsN(), STICKING_SECONDS.at(q))));
        list.suspect("bore-too-large")
                .at(list.master())
                .curedBy(Remedy.FIT_RIGHT_MASTER)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.1)
                        .pedalClutch(0.7)
                        .concentricClutch(0.5)
                        .leverBrake(0.7)
                        .leverClutch(0.7))
                .faults((q, l, r) -> List.of(new Fault.WrongBore(1 + BORE_STEP.at(q))));
        list.suspect("bore-too-small")
                .at(list.master())
                .curedBy(Remedy.FIT_RIGHT_MASTER)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.1)
                        .pedalClutch(0.7)
                        .concentricClutch(0.5)
                        .leverBrake(0.7)
                        .leverClutch(0.7))
                .faults((q, l, r) -> List.of(new Fault.WrongBore(1 / (1 + BORE_STEP.at(q)))));
        residualValves(list);
        list.suspect("reservoir-shut")
                .at(List.of(list.layout().reservoir().id()))
                .curedBy(Remedy.SET_LEVEL)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(0.5)
                        .hydraulicBrake(0.3)
                        .pedalClutch(0.3)
                        .concentricClutch(0.3)
                        .leverBrake(0.7)
                        .leverClutch(0.7))
                .faults((q, l, r) -> List.of(new Fault.ReservoirShut(SHUT_BAR.at(q), r.nextBoolean())));
        list.suspect("reservoir-weeping")
                .at(List.of(list.layout().reservoir().id()))
                .curedBy(Remedy.RESEAL_RESERVOIR)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.7)
                        .unassistedBrake(0.5)
                        .hydraulicBrake(0.5)
                        .pedalClutch(0.7)
                        .concentricClutch(0.7)
                        .leverBrake(0.7)
                        .leverClutch(0.7))
                .faults((q, l, r) -> List.of(new Fault.OutwardLeak(
                        l.reservoir().id(), Chamber.PRIMARY, RESERVOIR_LEAK_ML_PER_MIN.at(q), 0)));
        list.suspect("ports-crossed")
                .at(tandemMaster)
                .curedBy(Remedy.REROUTE_PORTS)
                .fromSetting()
                .frequency(Frequency.NONE.vacuumBrake(0.1).unassistedBrake(0.7).hydraulicBrake(0.1))
                .faults((q, l, r) -> List.of(new Fault.PortsCrossed()));
    }

    private static void residualValves(SuspectList list) {
        boolean valve = list.layout().master().residualValveBar() > 0;
        boolean discs = !list.layout().all(DiscEnd.class).isEmpty();
        boolean drums = !list.layout().all(DrumEnd.class).isEmpty();
        list.suspect("residual-valve-unwanted")
                .at(discs && !valve ? list.master() : List.of())
                .curedBy(Remedy.RESIDUAL_VALVE)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(0.7)
                        .hydraulicBrake(0.1)
                        .leverBrake(0.3))
                .faults((q, l, r) -> List.of(new Fault.ResidualValveWrong(true, 0.7 + 0.6 * q)));
        list.suspect("residual-valve-missing")
                .at(drums && valve ? list.master() : List.of())
                .curedBy(Remedy.RESIDUAL_VALVE)
                .fromSetting()
                .frequency(Frequency.NONE.unassistedBrake(1))
                .faults((q, l, r) -> List.of(new Fault.ResidualValveWrong(false, 0), drainBack(q, list)));
        list.suspect("drain-back")
                .at(list.master())
                .curedBy(Remedy.RESIDUAL_VALVE)
                .frequency(Frequency.NONE.unassistedBrake(1.2).concentricClutch(1))
                .faults((q, l, r) -> List.of(drainBack(q, list)));
    }

    private static Fault drainBack(double q, SuspectList list) {
        return new Fault.DrainBack(
                DRAIN_BACK_SHARE.at(q) * list.layout().master().strokeMl(Chamber.PRIMARY));
    }

    private static void cup(SuspectList list, String id, List<String> places, Cup cup, Frequency frequency) {
        boolean small = list.layout().family().lever() || list.layout().family().clutch();
        double strokeShare = list.layout().master().primaryStrokeMm() / 15;
        list.suspect(id)
                .at(places)
                .curedBy(Remedy.RENEW_MASTER)
                .fromWear()
                .frequency(frequency)
                .faults((q, l, r) -> {
                    double zoneFromMm = strokeShare * (r.nextDouble() < 0.7 ? 0 : 1 + 3 * r.nextDouble());
                    double zoneLengthMm = strokeShare * (6 + 14 * r.nextDouble());
                    double lipExponent = -0.4 + 0.9 * r.nextDouble();
                    double flow = small ? SMALL_BY_PASS_ML_PER_MIN.at(q) : BY_PASS_ML_PER_MIN.at(q);
                    return List.of(new ByPass(cup, flow, lipExponent, zoneFromMm, zoneFromMm + zoneLengthMm));
                });
    }
}
