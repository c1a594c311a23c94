package overturn.planning;

import java.util.List;
import overturn.inference.Belief;
import overturn.inference.Split;
import overturn.planning.CostToCome.Gain;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;

/**
 * A test that could be done now.
 *
 * @param procedure the test
 * @param testMinutes what it takes itself
 * @param anotherRig whether it repeats a reading, to be done with another rig
 * @param stateMinutes changes of vehicle state there and back, and the share of closing and bleeding that it makes
 *     necessary
 * @param borne part of those that this test bears, the rest being borne by others of its round; 1 where it goes alone
 * @param gain what it is expected to bring
 * @param proofChance chance that afterwards a remedy carries 98 % and this test carries it
 * @param proofMinutes what such a proof may cost
 * @param direct how many times what it tells counts when tests are ranked: more where it looks at a suspected part
 *     itself
 * @param kind what speaks for it
 * @param leadsTo whether it is short and comes before a dearer test that is worth doing, whatever it saves itself
 */
public record Proposal(
        Procedure procedure,
        double testMinutes,
        boolean anotherRig,
        double stateMinutes,
        double borne,
        Gain gain,
        double proofChance,
        double proofMinutes,
        double direct,
        Kind kind,
        boolean leadsTo) {

    /**
     * What any test costs beyond its minutes when tests are compared: reading up, entering, being interrupted, and the
     * model being a little wrong each time; estimate.
     */
    private static final double HANDLING_MINUTES = 8;

    /** What being asked for one more test costs whoever does it, beyond its minutes; chosen on the second world. */
    private static final double ASKED_AGAIN_MINUTES = 3;

    /** What speaks for a test. */
    public enum Kind {
        /** A look that comes first whatever the score. */
        GATE,
        /** It splits what is suspected. */
        SPLIT,
        /** The leader is known but not proven; this would carry the proof. */
        PROOF,
        /** The leader is known; this cannot prove it, but tells what else it may be, instead or too. */
        BESIDE,
        /** A reading does not fit; this repeats it on another rig. */
        CONFLICT,
        /** Nothing in the list explains it; a short look at a part still suspected comes before looking elsewhere. */
        LAST_LOOK
    }

    /** Why it is worth doing, as data; the sentence is made where it is shown. */
    public Reason reason(Belief belief) {
        if (kind == Kind.LAST_LOOK) {
            List<Remedy> looked = DirectLooks.at(belief, procedure);
            return new Reason(kind, looked, Split.share(belief, looked), List.of(), 0);
        }
        Split split = Split.of(belief, procedure);
        return new Reason(
                kind, split.low(), Split.share(belief, split.low()), split.high(), Split.share(belief, split.high()));
    }

    /** All minutes it costs. */
    public double minutes() {
        return testMinutes + Math.max(0, stateMinutes);
    }

    /** Minutes it is expected to save, a proof counted at what it may cost. */
    public double savedMinutes() {
        return gain.minutes() + proofChance * proofMinutes;
    }

    /** The same, bearing only a part of the way. */
    Proposal bearing(double part) {
        return new Proposal(
                procedure,
                testMinutes,
                anotherRig,
                stateMinutes,
                part,
                gain,
                proofChance,
                proofMinutes,
                direct,
                kind,
                leadsTo);
    }

    /** The same, done before a dearer one. */
    Proposal leading() {
        return new Proposal(
                procedure,
                testMinutes,
                anotherRig,
                stateMinutes,
                borne,
                gain,
                proofChance,
                proofMinutes,
                direct,
                kind,
                true);
    }

    /** Its own minutes and the part of the way that it bears. */
    public double minutesBorne() {
        return testMinutes + Math.max(0, stateMinutes) * borne;
    }

    /** Minutes saved per minute spent, a direct look counted for more: what proposals are ranked by. */
    public double score() {
        return direct * savedMinutes() / (minutesBorne() + HANDLING_MINUTES);
    }

    /**
     * Whether it saves more than it costs; a look that comes first always does, and so does what mends a conflict,
     * since nothing is believed before, and the last short look before it is called none of these.
     */
    public boolean worthDoing() {
        return switch (kind) {
            case GATE, CONFLICT, LAST_LOOK -> true;
            case SPLIT, PROOF, BESIDE -> leadsTo || savedMinutes() > minutesBorne() + ASKED_AGAIN_MINUTES;
        };
    }
}
