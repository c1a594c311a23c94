package overturn.secondworld;

import org.jspecify.annotations.Nullable;
import overturn.circuit.Assist;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.Assist.VacuumAssist;
import overturn.suspect.Fault.AssistLeakAt;

/**
 * The assist as a vessel: a vacuum shell with a volume from which each stroke lets air in, or an accumulator that is
 * spent stroke by stroke; its valve answers late.
 */
final class Booster {

    private static final double AMBIENT_KPA = 101;
    private static final double KPA_PER_100_M = 1.2;
    private static final double DEAD_SPACE = 0.12;
    /** A sound reserve is gone in a night and a day. */
    private static final double SOUND_EMPTY_SECONDS = 90_000;

    private final @Nullable Assist assist;
    private final Nature nature;
    private Troubles troubles;
    private boolean running;
    private boolean vented;
    private boolean steering;
    private double store;
    private double forceN;
    private double sinceRelease = 1e6;
    private double deepestMm;

    Booster(@Nullable Assist assist, Nature nature, Troubles troubles) {
        this.assist = assist;
        this.nature = nature;
        this.troubles = troubles;
    }

    void become(Troubles now) {
        troubles = now;
    }

    boolean there() {
        return assist != null;
    }

    void run(boolean isRunning) {
        running = isRunning;
    }

    void steer(boolean isSteering) {
        steering = isSteering;
    }

    void vent(boolean isVented) {
        vented = isVented;
        store = vented ? 0 : store;
        forceN = vented ? 0 : forceN;
    }

    boolean running() {
        return running;
    }

    /** What comes down the hose, kPa or bar. */
    double supply() {
        if (assist == null) {
            return 0;
        }
        double sound = full(assist) * nature.supply
                - (assist instanceof VacuumAssist ? KPA_PER_100_M * nature.altitudeM / 100 : 0);
        return Math.max(0, sound * troubles.supplyShare * (1 - troubles.leaks(AssistLeakAt.SUPPLY_HOSE)));
    }

    private static double full(Assist assist) {
        return assist instanceof VacuumAssist vacuum ? vacuum.supplyKpa() : ((HydraulicAssist) assist).pumpBar();
    }

    /** What is in store, kPa or bar. */
    double store() {
        return store;
    }

    /** N per kPa or per bar. */
    private double push(Assist assist) {
        double area = assist instanceof VacuumAssist vacuum
                ? vacuum.effectiveAreaMm2() / 1000
                : ((HydraulicAssist) assist).spoolAreaMm2() / 10;
        return area * troubles.otherAssist;
    }

    /** Lets time pass under a rod force, N. */
    void step(double seconds, double rodN, double rodMm) {
        if (assist == null) {
            return;
        }
        boolean pressed = rodN > 0;
        double leak = troubles.leaks(AssistLeakAt.AT_REST)
                + troubles.leaks(AssistLeakAt.MASTER_JOINT)
                + (pressed ? troubles.leaks(AssistLeakAt.WHILE_PRESSED) : 0);
        if (running && !vented && !troubles.checkValveShut) {
            double towards = supply() * Math.max(0, 1 - leak);
            store += (towards - store)
                    * (1
                            - Math.exp(-seconds
                                    / (assist.recoverySeconds() * nature.refillSeconds * troubles.recoverySlower)));
        } else if (store > 0) {
            boolean losing = !troubles.leakShare.isEmpty()
                    && (pressed || leak > 0 || troubles.leaks(AssistLeakAt.CHECK_VALVE) > 0);
            store *= Math.exp(
                    -seconds / (losing ? Math.min(troubles.emptySeconds, SOUND_EMPTY_SECONDS) : SOUND_EMPTY_SECONDS));
        }
        double wanted = wantedN(assist, rodN);
        forceN += (wanted - forceN) * (1 - Math.exp(-seconds / nature.assistLagSeconds));
        deepestMm = pressed ? Math.max(deepestMm, rodMm) : deepestMm;
        sinceRelease = pressed ? 0 : sinceRelease + seconds;
    }

    private double wantedN(Assist assist, double rodN) {
        double stuck = hangingN(assist);
        if (rodN < assist.thresholdN() * nature.springs) {
            return stuck;
        }
        double gain = assist.gain() * nature.gain * troubles.otherAssist;
        double asked = assist.jumpInN() + (gain - 1) * (rodN - assist.thresholdN());
        return Math.max(stuck, Math.min(asked, push(assist) * store));
    }

    /** A valve body that hangs lets the store push, as far as it still can. */
    private double hangingN(Assist assist) {
        return Math.min(troubles.stickingN, push(assist) * store);
    }

    double forceN() {
        return forceN;
    }

    /** What presses on with no foot there, N: a valve body that hangs, a return that keeps pressure on the spool. */
    double restingN() {
        if (assist == null || vented) {
            return 0;
        }
        double kept = running && troubles.returnShare > 0
                ? troubles.returnShare
                        * assist.fullForceN()
                        * (steering ? 1 : Math.exp(-sinceRelease / Math.max(0.3, troubles.returnSlowSeconds)))
                : 0;
        return Math.max(hangingN(assist), kept);
    }

    /** A stroke ends: the air let in spreads through the shell, or the accumulator is short of a stroke. */
    void released() {
        if (assist == null || store <= 0) {
            return;
        }
        if (assist instanceof VacuumAssist vacuum) {
            double shellMl = vacuum.effectiveAreaMm2() * nature.shellMm / 1000 * troubles.reserveShare;
            double workMl = vacuum.effectiveAreaMm2() * deepestMm / 1000 + DEAD_SPACE * shellMl;
            double workKpa = Math.min(AMBIENT_KPA - 1, forceN / Math.max(1e-9, push(assist)));
            store = Math.max(0, store - workKpa * Math.min(0.9, workMl / shellMl));
        } else {
            double strokes = Math.max(0.4, assist.reserveStrokes() * nature.reserveStrokes * troubles.reserveShare);
            double share = Math.min(1, forceN / Math.max(1, assist.fullForceN()) + 0.25);
            store = running ? store : Math.max(0, store - full(assist) * share / (strokes + 1));
        }
        forceN = 0;
        deepestMm = 0;
        sinceRelease = 0;
    }

    double lashMm() {
        return assist == null ? 0 : store > 2 && running ? 0.3 * assist.valveLashMm() : assist.valveLashMm();
    }
}
