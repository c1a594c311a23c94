package overturn.forecast;

import java.util.List;
import overturn.measurement.Discrepancy;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingSpec.Series;

/**
 * How far the figures of one test may lie from what is forecast: noise of instrument and datum, and what the formulas
 * do not know. Empty for an observation.
 */
final class ReadingNoise {

    /** Kernel wider than the instrument's noise, against over-confidence (docs/method.md). */
    static final double KERNEL_WIDTH = 1.4;

    private final double[] sds;
    private final double offsetSd;
    private final List<Discrepancy> discrepancies;
    private final double sharedDiscrepancy;
    private final double ofVehicle;
    private final double[] readingSds;

    private ReadingNoise(Series series) {
        this.sds = series.figures().stream().mapToDouble(Figure::noiseSd).toArray();
        this.offsetSd = series.offsetSd();
        this.discrepancies = series.figures().stream().map(Figure::discrepancy).toList();
        this.sharedDiscrepancy = series.sharedDiscrepancy();
        this.ofVehicle =
                discrepancies.stream().mapToDouble(Discrepancy::ofVehicle).max().orElse(0);
        this.readingSds = new double[sds.length];
        for (int k = 0; k < sds.length; k++) {
            readingSds[k] = series.readingSd(k);
        }
    }

    static ReadingNoise of(ReadingSpec spec) {
        return new ReadingNoise(spec instanceof Series series ? series : new Series(List.of(), 0));
    }

    boolean series() {
        return sds.length > 0;
    }

    int width() {
        return sds.length;
    }

    /** Noise of instrument and hand alone. */
    double instrumentSd(int figure) {
        return sds[figure];
    }

    /** Datum alone. */
    double datumSd() {
        return offsetSd;
    }

    /** Whole 1σ of one figure. */
    double readingSd(int figure) {
        return readingSds[figure];
    }

    /** 1σ by which a figure is off together with all travels of its vehicle. */
    double offWithItsVehicle(int figure) {
        return discrepancies.get(figure).ofVehicle();
    }

    /** 1σ that one figure has by itself where noise is scaled, for drawing readings. */
    double figureSd(int figure, double noiseScale) {
        return Math.hypot(noiseScale * sds[figure], discrepancies.get(figure).own());
    }

    /** 1σ that all figures of the series have together where noise is scaled, for drawing readings. */
    double offsetSd(double noiseScale) {
        return Math.hypot(Math.hypot(noiseScale * offsetSd, sharedDiscrepancy), ofVehicle);
    }

    /**
     * Width of the kernel by which a reading near a forecast still counts.
     *
     * @param rigs with how many rigs the test was read: what its formula leaves out is the same in all of them, so
     *     their product is that of one reading as good as their mean (variance n² + k·d² each)
     */
    double kernelSd(int figure, double read, double noiseScale, int rigs) {
        return Math.hypot(KERNEL_WIDTH * noiseScale * sds[figure], Math.sqrt(rigs) * unknown(figure, read));
    }

    /** The same of what the figures of a series have together. */
    double kernelOffsetSd(double noiseScale, int rigs) {
        return Math.hypot(KERNEL_WIDTH * noiseScale * offsetSd, Math.sqrt(rigs) * sharedDiscrepancy);
    }

    /** 1σ that the formula of a figure does not know. */
    double unknown(int figure, double read) {
        return discrepancies.get(figure).ownAt(Double.isNaN(read) ? 0 : read);
    }

    /** The same of what the figures of a series have together. */
    double unknownTogether() {
        return sharedDiscrepancy;
    }
}
