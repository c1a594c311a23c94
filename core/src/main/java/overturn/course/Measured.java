package overturn.course;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import overturn.inference.Belief;
import overturn.inference.RulerBands;
import overturn.inference.RulerBands.Band;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.procedure.Procedure;
import overturn.quantity.Dimension;
import overturn.quantity.TypedQuantity;
import overturn.suspect.SuspectCatalogue;

/**
 * A check that is a measurement: each figure against where a sound vehicle reads, and, of a hold, how far it sank.
 *
 * @param figures those that were taken, and {@link #SANK}
 */
public record Measured(List<Judged> figures) {

    /** Of a hold: the last figure less the first. */
    public static final String SANK = "sank";

    /**
     * A band holds nine of ten sound readings; widened on each side by this share of its width it holds all but one of
     * a thousand, so that a sound vehicle is not kept for it; chosen.
     */
    private static final double WIDENED = 0.5;
    /** Two readings of one vehicle grow by less in all but one of forty cases, in 1σ of their difference; chosen. */
    private static final double SAME_SD = 2;

    public Measured {
        figures = List.copyOf(figures);
    }

    /** One figure, core units, and between what it has to lie. */
    public record Judged(String figureId, double value, double least, double most) {

        public boolean passes() {
            return value >= least && value <= most;
        }
    }

    /**
     * Judges a reading.
     *
     * @param belief on everything that was read but this
     */
    public static Measured of(Belief belief, Procedure procedure, Figures read) {
        Series series = (Series) procedure.spec();
        List<Band> sound = RulerBands.of(belief, procedure, SuspectCatalogue.NOTHING_WRONG);
        List<Judged> judged = new ArrayList<>();
        int[] taken = IntStream.range(0, series.figures().size())
                .filter(k -> read.taken().get(k).isPresent())
                .toArray();
        for (int k : taken) {
            judged.add(judged(series.figures().get(k), sound.get(k), core(read, k)));
        }
        if (series.held() && taken.length > 1) {
            int first = taken[0];
            int last = taken[taken.length - 1];
            Band band = RulerBands.ofDifference(belief, procedure, SuspectCatalogue.NOTHING_WRONG, first, last);
            judged.add(new Judged(
                    SANK,
                    core(read, last) - core(read, first),
                    Double.NEGATIVE_INFINITY,
                    widened(band).high()));
        }
        return new Measured(judged);
    }

    /** A wheel that drags less than a sound one does no harm; a way that is too short does. */
    private static Judged judged(Figure figure, Band sound, double value) {
        Band band = widened(sound);
        boolean way = figure.dimension() == Dimension.LENGTH;
        return new Judged(figure.id(), value, way ? Math.max(figure.least(), band.low()) : figure.least(), band.high());
    }

    private static Band widened(Band band) {
        double wider = WIDENED * (band.high() - band.low());
        return new Band(band.suspectId(), band.low() - wider, band.high() + wider);
    }

    private static double core(Figures read, int figure) {
        return read.taken().get(figure).map(TypedQuantity::coreValue).orElseThrow();
    }

    /** Judges a reading by an earlier one of the same vehicle too: none of its figures may have grown. */
    public Measured sameAs(Series series, Figures earlier) {
        List<Judged> all = new ArrayList<>();
        for (Judged now : figures) {
            Optional<Double> then = IntStream.range(0, series.figures().size())
                    .filter(k -> series.figures().get(k).id().equals(now.figureId()))
                    .mapToObj(k -> earlier.taken().get(k).map(TypedQuantity::coreValue))
                    .flatMap(Optional::stream)
                    .findFirst();
            double sd = series.figures().stream()
                    .filter(f -> f.id().equals(now.figureId()))
                    .mapToDouble(f -> Math.hypot(f.noiseSd(), series.offsetSd()))
                    .findFirst()
                    .orElse(0);
            double most = then.map(value -> Math.min(now.most(), value + SAME_SD * Math.sqrt(2) * sd))
                    .orElse(now.most());
            all.add(new Judged(now.figureId(), now.value(), now.least(), most));
        }
        return new Measured(all);
    }

    /** Whether every figure is as on a sound vehicle. */
    public boolean passes() {
        return figures.stream().allMatch(Judged::passes);
    }
}
