package overturn.suspect;

import static overturn.suspect.SuspectList.between;

import java.util.List;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.Assist.VacuumAssist;
import overturn.suspect.Fault.AssistLeak;
import overturn.suspect.Fault.AssistLeakAt;

/** What can fail in vacuum and hydraulic assist. */
final class AssistSuspects {

    private static final Severity SUPPLY_LOST_SHARE =
            Severity.median(0.55).spread(1.3).within(0.25, 0.97);
    private static final Severity RECOVERY_FACTOR =
            Severity.median(8).spread(1.5).within(4, 25);
    private static final Severity LEAK_SHARE = Severity.median(0.35).spread(1.5).within(0.15, 0.9);
    private static final Severity EMPTY_SECONDS = Severity.median(60).spread(2).within(8, 200);
    private static final Severity STUCK_FACTOR =
            Severity.median(2.2).spread(1.4).within(1.2, 6);
    private static final Severity WRONG_UNIT_SHARE =
            Severity.median(0.7).spread(1.15).within(0.5, 0.85);
    private static final Severity STEERING_LOSS_ML_PER_DAY =
            Severity.median(8).spread(2.2).within(1, 60);
    private static final Severity RESERVE_SHARE =
            Severity.median(0.15).spread(1.6).within(0.02, 0.4);
    private static final Severity RETURN_SHARE =
            Severity.median(0.3).spread(1.4).within(0.12, 0.7);
    private static final Severity ASSIST_AIR_MM =
            Severity.median(2.5).spread(1.5).within(1, 7);

    private AssistSuspects() {}

    static void addTo(SuspectList list) {
        vacuum(list, list.of(VacuumAssist.class));
        hydraulic(list, list.of(HydraulicAssist.class));
    }

    private static Frequency vacuumOnly(double share) {
        return Frequency.NONE.vacuumBrake(share);
    }

    private static Frequency hydraulicOnly(double share) {
        return Frequency.NONE.hydraulicBrake(share);
    }

    private static void leak(
            SuspectList list,
            String id,
            List<String> at,
            Remedy remedy,
            double frequency,
            AssistLeakAt where,
            boolean slow) {
        list.suspect(id)
                .at(at)
                .curedBy(remedy)
                .fromWear()
                .frequency(vacuumOnly(frequency))
                .faults((q, l, r) -> List.of(new AssistLeak(
                        where, LEAK_SHARE.at(q), slow ? EMPTY_SECONDS.at(1 - q) : EMPTY_SECONDS.at(1 - q) / 4)));
    }

    private static void vacuum(SuspectList list, List<String> at) {
        list.suspect("low-assist-supply")
                .at(at)
                .curedBy(Remedy.RESTORE_SUPPLY)
                .fromWear()
                .frequency(vacuumOnly(3))
                .faults((q, l, r) -> List.of(new Fault.LowSupply(1 - SUPPLY_LOST_SHARE.at(q))));
        list.suspect("supply-hose-collapsed")
                .at(at)
                .curedBy(Remedy.RENEW_SUPPLY_HOSE)
                .fromWear()
                .frequency(vacuumOnly(1))
                .faults((q, l, r) -> List.of(new Fault.SlowRecovery(RECOVERY_FACTOR.at(q))));
        leak(list, "supply-hose-leaking", at, Remedy.RENEW_SUPPLY_HOSE, 1.5, AssistLeakAt.SUPPLY_HOSE, true);
        list.suspect("check-valve-stuck-shut")
                .at(at)
                .curedBy(Remedy.RENEW_CHECK_VALVE)
                .fromWear()
                .frequency(vacuumOnly(0.7))
                .faults((q, l, r) -> List.of(new Fault.CheckValveShut()));
        leak(list, "check-valve-leaking", at, Remedy.RENEW_CHECK_VALVE, 1.8, AssistLeakAt.CHECK_VALVE, true);
        leak(list, "diaphragm-torn", at, Remedy.RENEW_ASSIST, 2, AssistLeakAt.WHILE_PRESSED, false);
        leak(list, "assist-leaking-at-rest", at, Remedy.RENEW_ASSIST, 1.2, AssistLeakAt.AT_REST, true);
        leak(list, "assist-joint-leaking", at, Remedy.RESEAL_ASSIST_JOINT, 0.5, AssistLeakAt.MASTER_JOINT, true);
        list.suspect("valve-body-sticking")
                .at(at)
                .curedBy(Remedy.RENEW_ASSIST)
                .fromWear()
                .frequency(vacuumOnly(0.8))
                .faults((q, l, r) -> List.of(
                        new Fault.AssistSticking(STUCK_FACTOR.at(q) * l.master().springsN())));
        list.suspect("wrong-assist")
                .at(at)
                .curedBy(Remedy.RENEW_ASSIST)
                .fromSetting()
                .frequency(vacuumOnly(0.3))
                .faults((q, l, r) -> List.of(new Fault.WrongAssist(WRONG_UNIT_SHARE.at(1 - q), between(r, 0, 1.5))));
    }

    private static void hydraulic(SuspectList list, List<String> at) {
        list.suspect("assist-input-seal-leaking")
                .at(at)
                .curedBy(Remedy.RESEAL_ASSIST)
                .fromWear()
                .frequency(hydraulicOnly(6))
                .faults((q, l, r) -> List.of(new Fault.AssistFluidLoss(true, STEERING_LOSS_ML_PER_DAY.at(q))));
        list.suspect("assist-line-leaking")
                .at(at)
                .curedBy(Remedy.MAKE_ASSIST_LINE_DRY)
                .fromWear()
                .frequency(hydraulicOnly(6))
                .faults((q, l, r) -> List.of(new Fault.AssistFluidLoss(false, STEERING_LOSS_ML_PER_DAY.at(q))));
        list.suspect("low-pump-flow")
                .at(at)
                .curedBy(Remedy.RESTORE_PUMP)
                .fromWear()
                .frequency(hydraulicOnly(10))
                .faults((q, l, r) ->
                        List.of(new Fault.LowSupply(1 - SUPPLY_LOST_SHARE.at(q)), new Fault.SlowRecovery(2 + 3 * q)));
        list.suspect("accumulator-lost")
                .at(at)
                .curedBy(Remedy.RENEW_ACCUMULATOR)
                .fromWear()
                .frequency(hydraulicOnly(9))
                .faults((q, l, r) -> List.of(new Fault.ReserveLost(RESERVE_SHARE.at(1 - q))));
        list.suspect("return-restricted")
                .at(at)
                .curedBy(Remedy.CLEAR_RETURN)
                .fromWear()
                .frequency(hydraulicOnly(2))
                .faults((q, l, r) -> List.of(new Fault.ReturnRestricted(RETURN_SHARE.at(q), between(r, 0.8, 3))));
        list.suspect("spool-sticking")
                .at(at)
                .curedBy(Remedy.RENEW_ASSIST)
                .fromWear()
                .frequency(hydraulicOnly(2))
                .faults((q, l, r) -> List.of(
                        new Fault.AssistSticking(STUCK_FACTOR.at(q) * l.master().springsN())));
        list.suspect("air-in-assist")
                .at(at)
                .curedBy(Remedy.BLEED_ASSIST)
                .fromAir()
                .frequency(hydraulicOnly(6))
                .faults((q, l, r) -> List.of(new Fault.AirInAssist(ASSIST_AIR_MM.at(q))));
    }
}
