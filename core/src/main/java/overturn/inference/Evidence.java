package overturn.inference;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import overturn.forecast.Hypothesis;
import overturn.forecast.Particles;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.RigSetups;
import overturn.likelihood.SummedLikelihood;

/**
 * How likely everything read is under each hypothesis. What a repair brought has to explain only what was read since;
 * that all before it was cured by the repair was weighed when it was done.
 *
 * @param read all readings
 * @param since those since the last repair; empty where nothing was repaired
 * @param logForgotten log of how likely that was which was read before the repair, where it is left out; 0 where it
 *     counts
 */
record Evidence(
        Prior prior, Repairs repairs, SummedLikelihood read, Optional<SummedLikelihood> since, double logForgotten) {

    static Evidence of(
            int suspects,
            Prior prior,
            Repairs repairs,
            List<ReadingLikelihood> readings,
            Function<List<ReadingLikelihood>, RigSetups> setups,
            SummedLikelihood read) {
        return new Evidence(
                prior,
                repairs,
                read,
                repairs.done()
                        .all()
                        .map(done -> SummedLikelihood.of(suspects, setups.apply(repairs.sinceLast(readings)))),
                0);
    }

    /** The same of readings that are weighed by themselves, as if nothing else had been read. */
    Evidence alone() {
        return new Evidence(prior, repairs, read, since, repairs.logReadBefore());
    }

    /** The sum that this hypothesis has to explain. */
    SummedLikelihood of(Hypothesis hypothesis) {
        return hypothesis.isBrought() ? since.orElseThrow() : read;
    }

    /** Log of how likely a hypothesis was before what it has to explain was read. */
    double logPrior(Hypothesis hypothesis) {
        return hypothesis.isBrought() ? repairs.logBrought(hypothesis.first()) - logForgotten : prior.log(hypothesis);
    }

    /** Log evidence, its prior included, not normalised; every particle on its own vehicle. */
    double log(Hypothesis hypothesis) {
        return logPrior(hypothesis)
                - Math.log(Particles.PARTICLES)
                + of(hypothesis).evidence(hypothesis);
    }
}
