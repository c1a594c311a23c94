package overturn.forecast;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.RigSetups;
import overturn.likelihood.SetupLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.RigTrust;
import overturn.numeric.LogSpace;
import overturn.numeric.SharedOffsetNormal;
import overturn.procedure.Procedure;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;

/** What a particle's neighbourhood is worth, against cases in closed form. */
class LeewayTest {

    private static final LayoutModel MODEL = Models.of("wisp-courier-clutch");

    /** Nothing read yet. */
    private static Leeway unread() {
        return new Leeway();
    }

    /**
     * Adds what one reading of some figures makes, every particle predicting 0 and moving them all alike along one
     * direction.
     */
    private static Leeway with(Leeway leeway, double[] seen, double[] sds, double slope) {
        SharedOffsetNormal normal = new SharedOffsetNormal(seen, sds, 0);
        double[][] directions = new double[Slopes.DIRECTIONS][seen.length];
        Arrays.fill(directions[3], slope);
        double[] logs = new double[Particles.PARTICLES];
        Arrays.fill(logs, normal.logDensity(new float[seen.length], 0));
        Leeway more = leeway.copy();
        more.add(1, logs);
        more.add(
                1,
                seen,
                new float[Particles.PARTICLES * seen.length],
                MODEL.particles(),
                normal.tangent(directions),
                normal.tangent(directions));
        return more;
    }

    /** A direction that moves all figures alike is an offset they share: the integral is that normal. */
    @Test
    void aSharedShiftIsASharedOffset() {
        double[] seen = {4, 6, 5};
        double[] sds = {1, 2, 1.5};
        double[] logs = with(unread(), seen, sds, 3).logs(MODEL.particles());
        double byHand = new SharedOffsetNormal(seen, sds, 3 * Leeway.REACH).logDensity(new float[3], 0);
        assertEquals(byHand, logs[0], 1e-9);
        assertTrue(
                logs[0] > new SharedOffsetNormal(seen, sds, 0).logDensity(new float[3], 0) + 5,
                "what all ask for together is granted once");
    }

    /** Two readings that both ask for the shift are explained by one. */
    @Test
    void twoReadingsShareOneShift() {
        Leeway one = with(unread(), new double[] {4}, new double[] {1}, 3);
        Leeway other = with(unread(), new double[] {6}, new double[] {2}, 3);
        Leeway both = with(one, new double[] {6}, new double[] {2}, 3);
        double together = new SharedOffsetNormal(new double[] {4, 6}, new double[] {1, 2}, 3 * Leeway.REACH)
                .logDensity(new float[2], 0);
        assertEquals(together, both.logs(MODEL.particles())[7], 1e-9);
        assertTrue(
                together > one.logs(MODEL.particles())[7] + other.logs(MODEL.particles())[7],
                "more than each for itself");
    }

    /**
     * On a vehicle whose hand and instrument are twice as bad the same miss asks for less of a shift, and is granted
     * what that noise allows.
     */
    @Test
    void aNoisyVehicleIsGrantedLeewayByItsOwnNoise() {
        Particles particles = MODEL.particles();
        double[] seen = {4, 6};
        SharedOffsetNormal normal = new SharedOffsetNormal(seen, new double[] {1, 1}, 0);
        SharedOffsetNormal doubled = new SharedOffsetNormal(seen, new double[] {2, 2}, 0);
        double[][] directions = new double[Slopes.DIRECTIONS][2];
        Arrays.fill(directions[0], 3);
        float[] means = new float[2];
        double[] rows = IntStream.range(0, Particles.PARTICLES)
                .mapToDouble(i -> (particles.noisy(i) ? doubled : normal).logDensity(means, 0))
                .toArray();
        Leeway leeway = new Leeway();
        leeway.add(1, rows);
        leeway.add(
                1,
                seen,
                new float[Particles.PARTICLES * 2],
                particles,
                normal.tangent(directions),
                doubled.tangent(directions));
        double[] logs = leeway.logs(particles);
        for (int i = 0; i < logs.length; i++) {
            double sd = particles.noisy(i) ? 2 : 1;
            assertEquals(
                    new SharedOffsetNormal(seen, new double[] {sd, sd}, 3 * Leeway.REACH).logDensity(means, 0),
                    logs[i],
                    1e-9);
        }
        assertTrue(IntStream.range(0, Particles.PARTICLES).anyMatch(particles::noisy)
                && IntStream.range(0, Particles.PARTICLES).anyMatch(i -> !particles.noisy(i)));
    }

    /** Half a reading, taken away again, leaves what was there. */
    @Test
    void whatIsTakenAwayLeavesTheRest() {
        Leeway one = with(unread(), new double[] {4}, new double[] {1}, 3);
        double before = one.logs(MODEL.particles())[9];
        double[] row = new double[Particles.PARTICLES];
        Arrays.fill(row, -2);
        one.add(0.5, row);
        assertEquals(before - 1, one.logs(MODEL.particles())[9], 1e-9);
        one.add(-0.5, row);
        assertEquals(before, one.logs(MODEL.particles())[9], 1e-9);
    }

    @Test
    void withoutSlopesThereIsNoLeeway() {
        Leeway leeway = with(unread(), new double[] {4}, new double[] {1}, 0);
        assertEquals(leeway.log(5), leeway.logs(MODEL.particles())[5], 1e-12);
    }

    /** A figure made of a trait and the severity gives these slopes back. */
    @Test
    void slopesAreThoseOfTheCrowd() {
        Particles particles = MODEL.particles();
        int suspect = MODEL.indexOf("slave-seal-weeping");
        double[] severities = IntStream.range(0, Particles.PARTICLES)
                .mapToDouble(i -> particles.severity(suspect, i))
                .toArray();
        double sd = Math.sqrt(org.hipparchus.stat.StatUtils.variance(severities));
        double[] figures = IntStream.range(0, Particles.PARTICLES)
                .mapToDouble(i -> 12 - 2 * severities[i])
                .toArray();
        double[] slopes = MODEL.traits().slopes(suspect, figures);
        assertEquals(-2 * sd, slopes[Traits.COUNT], 1e-6);
        assertEquals(0, slopes[0], 1e-6);
    }

    /** A worse leak sinks further, and only in tests that see it. */
    @Test
    void aFaultMovesWhatItShowsIn() {
        Procedure hold = MODEL.procedures().find("hold-medium").orElseThrow();
        int cup = MODEL.indexOf("primary-piston-cup");
        double[][] directions = new Slopes(
                        MODEL.traits(),
                        MODEL.predictions(hold),
                        MODEL.suspects().size())
                .of(Hypothesis.single(cup), Hypothesis.single(cup));
        assertTrue(
                directions[Traits.COUNT][1] - directions[Traits.COUNT][0] > 0.5,
                "per standard deviation of severity, before it lies on the floor");
        double[][] hidden = new Slopes(
                        MODEL.traits(),
                        MODEL.predictions(hold),
                        MODEL.suspects().size())
                .of(Hypothesis.single(cup), Hypothesis.single(MODEL.sound()));
        assertEquals(0, hidden[Traits.COUNT][3]);
    }

    /**
     * Rigs that all told the truth are worth the neighbourhood; one that may have lied is still explained as before.
     */
    @Test
    void aLyingRigIsExplainedWithoutLeeway() {
        Procedure hold = MODEL.procedures().find("hold-medium").orElseThrow();
        SummedLikelihood far = read(hold, RigTrust.DOUBTFUL, 240, 240, 240, 240);
        Hypothesis sound = Hypothesis.single(MODEL.sound());
        assertEquals(
                LogSpace.sum(far.row(sound, 0)),
                LogSpace.sum(far.withLeeway(sound, MODEL.particles())),
                1e-3,
                "no vehicle reads that, the rig lied");
        float[] values = MODEL.predictions(hold).values(MODEL.sound());
        SummedLikelihood near = read(hold, RigTrust.PROVEN, values[0], values[1], values[2], values[3]);
        assertEquals(
                LogSpace.sum(near.row(sound, 0)),
                LogSpace.sum(near.withLeeway(sound, MODEL.particles())),
                1,
                "where the particles is dense both say the same");
    }

    private static SummedLikelihood read(Procedure procedure, RigTrust trust, double... mm) {
        List<Optional<TypedQuantity>> taken = DoubleStream.of(mm)
                .mapToObj(v -> Optional.of(new TypedQuantity(Double.toString(v), MeasureUnit.MILLIMETRE, v)))
                .toList();
        Reading reading = new Reading("one", procedure.id(), new Figures(taken), "tape", trust);
        return SummedLikelihood.of(
                MODEL.suspects().size(),
                RigSetups.of(List.of(
                        new SetupLikelihood(MODEL, List.of(ReadingLikelihood.of(MODEL, reading, false)), true))));
    }
}
