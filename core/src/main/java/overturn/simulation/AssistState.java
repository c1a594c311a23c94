package overturn.simulation;

import org.jspecify.annotations.Nullable;
import overturn.circuit.Assist;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.Assist.VacuumAssist;

/**
 * The assist while a protocol runs: its reserve, its supply, and what it adds to the rod. Does nothing where there is
 * none.
 */
final class AssistState {

    /** Loss of depression with height, kPa per m near sea level (docs/physics.md). */
    static final double KPA_PER_M = 0.012;

    /** Share of its charge below which a reservoir counts as empty; chosen. */
    private static final double HARDLY_CHARGED = 0.1;
    /** Reserve left after the strokes that a full one gives; estimate. */
    private static final double SPENT_SHARE = 0.25;
    /** Seconds in which a sound check valve lets a reserve fall to a third; estimate. */
    private static final double SOUND_EMPTY_SECONDS = 40_000;

    /** Share of the lash that is left to feel with a charged assist; estimate. */
    private static final double LASH_SHARE_WHEN_CHARGED = 0.2;
    /**
     * Share of the run-out force that a restricted return adds while the steering is held against its stop; estimate.
     */
    private static final double STEERING_FACTOR = 2;

    private final @Nullable Assist assist;
    private final VehicleUnknowns vehicle;
    private final Deviations deviations;
    private boolean running;
    private boolean vented;
    private boolean steering;
    private boolean pinched;
    private double charge;
    private double secondsSinceRelease = Double.POSITIVE_INFINITY;

    AssistState(Plant plant, VehicleUnknowns vehicle, Deviations deviations, double charge) {
        this.assist = plant.assist;
        this.vehicle = vehicle;
        this.deviations = deviations;
        this.charge = charge;
    }

    void vent(boolean isVented) {
        vented = isVented;
        charge = vented ? 0 : charge;
    }

    void pinch(boolean isPinched) {
        pinched = isPinched;
    }

    void run(boolean isRunning) {
        running = isRunning;
    }

    void steer(boolean isSteering) {
        steering = isSteering;
    }

    boolean running() {
        return running;
    }

    double charge() {
        return charge;
    }

    /** Supply at the hose as a share of the nominal one. */
    double supplyShare() {
        if (assist == null) {
            return 0;
        }
        double share = vehicle.surroundings().supply() * deviations.supplyShare * (1 - deviations.leakAtHose);
        if (assist instanceof VacuumAssist vacuum) {
            share -= KPA_PER_M * vehicle.surroundings().altitudeM() / vacuum.supplyKpa();
        }
        return Math.max(0, share);
    }

    /** Supply at the hose, kPa or bar. */
    double supply() {
        return supplyShare() * fullSupply();
    }

    private double fullSupply() {
        return assist == null
                ? 0
                : assist instanceof VacuumAssist vacuum ? vacuum.supplyKpa() : ((HydraulicAssist) assist).pumpBar();
    }

    /** What it holds now, kPa or bar. */
    double reserve() {
        return charge * fullSupply();
    }

    private double target(boolean pressed) {
        if (!running || vented || deviations.checkValveShut) {
            return 0;
        }
        return supplyShare() * Math.max(0, 1 - deviations.leakAtRest - (pressed ? deviations.leakPressed : 0));
    }

    /** Lets time pass. */
    void advance(double seconds, boolean pressed) {
        if (assist == null) {
            return;
        }
        if (running && !deviations.checkValveShut && !vented && !pinched) {
            double share = 1
                    - Math.exp(-seconds
                            / (assist.recoverySeconds() * vehicle.assistTime().recovery() * deviations.recoveryFactor));
            charge += (target(pressed) - charge) * share;
        } else if (charge > 0) {
            double empty = Math.min(
                    SOUND_EMPTY_SECONDS,
                    Math.min(emptySeconds(), pressed ? deviations.emptySecondsPressed : SOUND_EMPTY_SECONDS));
            charge *= Math.exp(-seconds / empty);
        }
        secondsSinceRelease = pressed ? Double.POSITIVE_INFINITY : secondsSinceRelease + seconds;
    }

    /** Seconds in which the reserve falls to a third at rest; by the check valve only while the hose is open. */
    private double emptySeconds() {
        return pinched ? deviations.emptySeconds : Math.min(deviations.emptySeconds, deviations.emptySecondsByValve);
    }

    /** Whether its force would move if time passed under a foot. */
    boolean changing() {
        return assist != null
                && !vented
                && (running && !pinched
                        ? Math.abs(target(true) - charge) > 0.003
                        : charge > 0.003
                                && Math.min(emptySeconds(), deviations.emptySecondsPressed) < SOUND_EMPTY_SECONDS);
    }

    /** A stroke thins the reserve. */
    void use(double shareOfFullStroke) {
        if (assist != null && charge > 0) {
            double strokes =
                    Math.max(0.3, assist.reserveStrokes() * vehicle.assistTime().strokes() * deviations.reserveShare);
            charge *= Math.pow(SPENT_SHARE, Math.min(1, shareOfFullStroke) / strokes);
        }
    }

    void released() {
        secondsSinceRelease = 0;
    }

    /** What it adds to the rod, N. */
    double outputN(double rodN) {
        if (assist == null || charge <= 0) {
            return 0;
        }
        double most = charge * assist.fullForceN() * deviations.assistFactor;
        if (rodN < assist.thresholdN()) {
            return Math.min(most, restingN());
        }
        double gain = 1 + (assist.gain() * vehicle.factors().assistGain() - 1) * deviations.assistFactor;
        double asked = assist.jumpInN() * deviations.assistFactor + (gain - 1) * (rodN - assist.thresholdN());
        return Math.max(0, Math.min(Math.max(asked, restingN()), most));
    }

    /** What it pushes with no foot on the pedal, N. */
    double restingN() {
        if (assist == null) {
            return 0;
        }
        double kept = deviations.returnShare
                * (steering
                        ? STEERING_FACTOR
                        : Math.exp(-secondsSinceRelease / Math.max(0.1, deviations.returnSeconds)));
        return Math.min(deviations.stuckN + kept * assist.fullForceN(), charge * assist.fullForceN());
    }

    /** Rod travel lost before it answers, mm. */
    double lashMm() {
        if (assist == null) {
            return 0;
        }
        return assist.valveLashMm() * (charge > HARDLY_CHARGED ? LASH_SHARE_WHEN_CHARGED : 1) + deviations.assistAirMm;
    }
}
