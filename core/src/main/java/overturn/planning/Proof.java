package overturn.planning;

import overturn.inference.LayoutModel;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** What may carry a proof. */
public final class Proof {

    /** Share that a remedy has to carry (handbook 05). */
    public static final double SHARE = 0.95;
    /** Odds that a single reading must move to carry a proof. */
    public static final double CARRYING_FACTOR = 3;

    private Proof() {
    }

    /** Whether a reading of this test can carry the proof of a remedy. */
    public static boolean canCarry(LayoutModel model, Procedure procedure, Remedy remedy) {
        return model.suspects().stream().anyMatch(s -> s.remedy() == remedy && procedure.canCarry(s.id()));
    }

    /** Whether it can carry the proof of any remedy of a cure. */
    public static boolean canCarry(LayoutModel model, Procedure procedure, Cure cure) {
        return cure.remedies().stream().anyMatch(remedy -> canCarry(model, procedure, remedy));
    }
}
