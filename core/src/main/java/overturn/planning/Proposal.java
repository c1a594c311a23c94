package overturn.planning;

import overturn.inference.Foresight.Expectation;
import overturn.procedure.Procedure;

/**
 * A test that could be done now.
 *
 * @param procedure    the test
 * @param anotherRig   whether it repeats a reading, to be done with another rig
 * @param stateMinutes changes of vehicle state to get there, and the share of closing and bleeding that it makes necessary
 * @param expectation  what it is expected to bring
 * @param reason       why it is proposed
 * @param score        worth per minute
 */
public record Proposal(Procedure procedure, boolean anotherRig, double stateMinutes, Expectation expectation, Reason reason,
                       double score) {

    /** All minutes it costs. */
    public double minutes() {
        return procedure.minutes() + stateMinutes;
    }
}
