package overturn.suspect;

import static overturn.suspect.SuspectList.between;

import java.util.List;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.Assist.VacuumAssist;
import overturn.suspect.Fault.AssistLeak;
import overturn.suspect.Fault.AssistLeakAt;
import overturn.suspect.Suspect.Origin;

/** What can fail in vacuum and hydraulic assist. */
final class AssistSuspects {

    private static final Severity SUPPLY_LOST_SHARE = Severity.of(0.55, 1.3, 0.25, 0.97);
    private static final Severity RECOVERY_FACTOR = Severity.of(8, 1.5, 4, 25);
    private static final Severity LEAK_SHARE = Severity.of(0.35, 1.5, 0.15, 0.9);
    private static final Severity EMPTY_SECONDS = Severity.of(60, 2, 8, 200);
    private static final Severity STUCK_FACTOR = Severity.of(2.2, 1.4, 1.2, 6);
    private static final Severity WRONG_UNIT_SHARE = Severity.of(0.7, 1.15, 0.5, 0.85);
    private static final Severity STEERING_LOSS_ML_PER_DAY = Severity.of(8, 2.2, 1, 60);
    private static final Severity RESERVE_SHARE = Severity.of(0.15, 1.6, 0.02, 0.4);
    private static final Severity RETURN_SHARE = Severity.of(0.3, 1.4, 0.12, 0.7);
    private static final Severity ASSIST_AIR_MM = Severity.of(2.5, 1.5, 1, 7);

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
        list.add(
                id,
                at,
                remedy,
                Origin.WEAR,
                vacuumOnly(frequency),
                (q, l, r) -> List.of(new AssistLeak(
                        where, LEAK_SHARE.at(q), slow ? EMPTY_SECONDS.at(1 - q) : EMPTY_SECONDS.at(1 - q) / 4)));
    }

    private static void vacuum(SuspectList list, List<String> at) {
        list.add(
                "low-assist-supply",
                at,
                Remedy.RESTORE_SUPPLY,
                Origin.WEAR,
                vacuumOnly(3),
                (q, l, r) -> List.of(new Fault.LowSupply(1 - SUPPLY_LOST_SHARE.at(q))));
        list.add(
                "supply-hose-collapsed",
                at,
                Remedy.RENEW_SUPPLY_HOSE,
                Origin.WEAR,
                vacuumOnly(1),
                (q, l, r) -> List.of(new Fault.SlowRecovery(RECOVERY_FACTOR.at(q))));
        leak(list, "supply-hose-leaking", at, Remedy.RENEW_SUPPLY_HOSE, 1.5, AssistLeakAt.SUPPLY_HOSE, true);
        list.add(
                "check-valve-stuck-shut",
                at,
                Remedy.RENEW_CHECK_VALVE,
                Origin.WEAR,
                vacuumOnly(0.7),
                (q, l, r) -> List.of(new Fault.CheckValveShut()));
        leak(list, "check-valve-leaking", at, Remedy.RENEW_CHECK_VALVE, 1.8, AssistLeakAt.CHECK_VALVE, true);
        leak(list, "diaphragm-torn", at, Remedy.RENEW_ASSIST, 2, AssistLeakAt.WHILE_PRESSED, false);
        leak(list, "assist-leaking-at-rest", at, Remedy.RENEW_ASSIST, 1.2, AssistLeakAt.AT_REST, true);
        leak(list, "assist-joint-leaking", at, Remedy.RESEAL_ASSIST_JOINT, 0.5, AssistLeakAt.MASTER_JOINT, true);
        list.add(
                "valve-body-sticking",
                at,
                Remedy.RENEW_ASSIST,
                Origin.WEAR,
                vacuumOnly(0.8),
                (q, l, r) -> List.of(
                        new Fault.AssistSticking(STUCK_FACTOR.at(q) * l.master().springsN())));
        list.add(
                "wrong-assist",
                at,
                Remedy.RENEW_ASSIST,
                Origin.SETTING,
                vacuumOnly(0.3),
                (q, l, r) -> List.of(new Fault.WrongAssist(WRONG_UNIT_SHARE.at(1 - q), between(r, 0, 1.5))));
    }

    private static void hydraulic(SuspectList list, List<String> at) {
        list.add(
                "assist-input-seal-leaking",
                at,
                Remedy.RESEAL_ASSIST,
                Origin.WEAR,
                hydraulicOnly(6),
                (q, l, r) -> List.of(new Fault.AssistFluidLoss(true, STEERING_LOSS_ML_PER_DAY.at(q))));
        list.add(
                "assist-line-leaking",
                at,
                Remedy.MAKE_ASSIST_LINE_DRY,
                Origin.WEAR,
                hydraulicOnly(6),
                (q, l, r) -> List.of(new Fault.AssistFluidLoss(false, STEERING_LOSS_ML_PER_DAY.at(q))));
        list.add(
                "low-pump-flow",
                at,
                Remedy.RESTORE_PUMP,
                Origin.WEAR,
                hydraulicOnly(10),
                (q, l, r) ->
                        List.of(new Fault.LowSupply(1 - SUPPLY_LOST_SHARE.at(q)), new Fault.SlowRecovery(2 + 3 * q)));
        list.add(
                "accumulator-lost",
                at,
                Remedy.RENEW_ACCUMULATOR,
                Origin.WEAR,
                hydraulicOnly(9),
                (q, l, r) -> List.of(new Fault.ReserveLost(RESERVE_SHARE.at(1 - q))));
        list.add(
                "return-restricted",
                at,
                Remedy.CLEAR_RETURN,
                Origin.WEAR,
                hydraulicOnly(2),
                (q, l, r) -> List.of(new Fault.ReturnRestricted(RETURN_SHARE.at(q), between(r, 0.8, 3))));
        list.add(
                "spool-sticking",
                at,
                Remedy.RENEW_ASSIST,
                Origin.WEAR,
                hydraulicOnly(2),
                (q, l, r) -> List.of(
                        new Fault.AssistSticking(STUCK_FACTOR.at(q) * l.master().springsN())));
        list.add(
                "air-in-assist",
                at,
                Remedy.BLEED_ASSIST,
                Origin.AIR,
                hydraulicOnly(6),
                (q, l, r) -> List.of(new Fault.AirInAssist(ASSIST_AIR_MM.at(q))));
    }
}
