package overturn.catalogue;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import overturn.measurement.Discrepancy;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.quantity.Atmosphere;
import overturn.quantity.Dimension;

/** The kinds of figure the catalogue asks for, with their noise and physical range (docs/trade-figures.md C). */
final class Figures {

    /** Where the tape is hooked, shared by one series, mm; estimate. */
    static final double DATUM_SD_MM = 2;

    /** A tape at a pedal, read anew, mm; estimate. */
    private static final double TAPE_SD_MM = 1.2;
    /** The same tape read again without moving it, mm; estimate. */
    private static final double SAME_TAPE_SD_MM = 0.8;
    /** A level at the reservoir, mm; estimate. */
    private static final double LEVEL_SD_MM = 0.6;
    /** Free play felt by a finger, mm; estimate. */
    private static final double FREE_PLAY_SD_MM = 1;
    /** A vacuum gauge, kPa; estimate. */
    private static final double VACUUM_SD_KPA = 2;
    /** A pressure gauge, bar; estimate. */
    private static final double GAUGE_SD_BAR = 1.5;
    /** A stopwatch by hand, s; estimate. */
    private static final double RETURN_SD_SECONDS = 0.1;
    /** Half a kilonewton at the tyre of a road wheel: what does not turn then is locked; estimate. */
    private static final double MOST_BY_HAND_NM = 150;

    /** A torque wrench on a wheel, Nm; estimate. */
    private static final double TORQUE_SD_NM = 1.5;
    /** A thermometer at the rim or drum, °C; estimate. */
    private static final double TEMPERATURE_SD_C = 7;
    /** A stroke by rule, mm; estimate. */
    private static final double STROKE_SD_MM = 0.4;
    /** A feeler gauge, mm; estimate. */
    private static final double FEELER_SD_MM = 0.15;
    /** A bore gauge or slide gauge, mm; estimate. */
    private static final double BORE_SD_MM = 0.03;
    /** A steel rule, mm; estimate. */
    private static final double RULE_SD_MM = 0.4;
    /** A fluid tester, %; estimate. */
    private static final double WATER_SD_PERCENT = 0.5;
    /** A measuring cup, mL; estimate. */
    private static final double CUP_SD_ML = 0.4;

    /** Foot against scale, friction, roll-back of seals, flex of bulkhead: a travel with the engine off, mm. */
    private static final Discrepancy PEDAL = new Discrepancy(0.8, 1.5, 0, 1.8);
    /** The same differences fall out of a sink, but for how slowly hoses and seals give, mm. */
    private static final Discrepancy SINK = new Discrepancy(0.8, 0.4, 0.05);
    /** With the engine the foot adds what the assist builds up late: 0 to 25 mm in a minute, mm. */
    static final Discrepancy WITH_ENGINE = new Discrepancy(3, 4, 0, 2.5);
    /** A step when the engine starts or stops: size of shell and jump-in, mm. */
    static final Discrepancy ASSIST_STEP = new Discrepancy(3.5, 0, 0.1);
    /** Strokes on a reserve: volume of the shell, pace, force, mm. */
    static final Discrepancy RESERVE = new Discrepancy(2, 3.5, 0, 2);
    /** Vacuum when it has settled, and after strokes whose pace nobody keeps, kPa. */
    private static final Discrepancy VACUUM = new Discrepancy(1.5, 1, 0);

    static final Discrepancy VACUUM_IN_TIME = new Discrepancy(8, 3, 0);
    private static final Discrepancy LEVEL = new Discrepancy(0.3, 0, 0.15);
    private static final Discrepancy FREE_PLAY = new Discrepancy(0.5, 0, 0.05);
    private static final Discrepancy GAUGE = new Discrepancy(1, 1, 0.03);
    /** By eye, with a person's reaction, s. */
    private static final Discrepancy RETURN = new Discrepancy(0.15, 0, 0.1);
    /** Lining, warmth and hand: several-fold between cold and warm, Nm. */
    private static final Discrepancy TORQUE = new Discrepancy(1, 0, 0.25);
    /** What the drive was like and what each axle had to do, °C. */
    private static final Discrepancy TEMPERATURE = new Discrepancy(10, 14, 0);

    private static final Discrepancy STROKE = new Discrepancy(0.3, 0.2, 0.03);
    private static final Discrepancy FEELER = new Discrepancy(0.2, 0, 0);
    /** Where along the bore and across it, mm. */
    private static final Discrepancy BORE = new Discrepancy(0.04, 0, 0);

    /** Some bores that pit stay round, some wear twice as far, mm. */
    private static final Discrepancy OVAL = new Discrepancy(0.04, 0, 0);

    /** Bores are made to so much, mm; estimate. */
    private static final double MADE_TO_MM = 0.03;

    private static final Discrepancy RULE = new Discrepancy(0.4, 0, 0.04);
    private static final Discrepancy WATER = new Discrepancy(0.4, 0, 0.1);
    /** How far a person pumps, mL. */
    private static final Discrepancy CAUGHT = new Discrepancy(0.1, 0.1, 0.12);

    private Figures() {}

    private static Figure figure(
            String id, Dimension dimension, double least, double most, double sd, Discrepancy discrepancy) {
        return new Figure(id, dimension, least, most, sd, discrepancy, OptionalInt.empty());
    }

    static Figure travel(String id) {
        return figure(id, Dimension.LENGTH, 0, 250, TAPE_SD_MM, PEDAL);
    }

    static Figure travelAt(int second) {
        return new Figure("at-" + second, Dimension.LENGTH, 0, 250, SAME_TAPE_SD_MM, PEDAL, OptionalInt.of(second));
    }

    static Figure sink(String id) {
        return figure(id, Dimension.LENGTH, -60, 250, TAPE_SD_MM, SINK);
    }

    static Figure level(String id) {
        return figure(id, Dimension.LENGTH, -60, 60, LEVEL_SD_MM, LEVEL);
    }

    static Figure freePlay(String id) {
        return figure(id, Dimension.LENGTH, 0, 80, FREE_PLAY_SD_MM, FREE_PLAY);
    }

    /** No depression can exceed a standard atmosphere. */
    static Figure depression(String id) {
        return figure(id, Dimension.DEPRESSION, 0, Atmosphere.KPA, VACUUM_SD_KPA, VACUUM);
    }

    static Figure gauge(String id) {
        return figure(id, Dimension.PRESSURE, 0, 250, GAUGE_SD_BAR, GAUGE);
    }

    static Figure seconds(String id) {
        return figure(id, Dimension.TIME, 0, 60, RETURN_SD_SECONDS, RETURN);
    }

    static Figure torque(String id) {
        return figure(id, Dimension.TORQUE, 0, MOST_BY_HAND_NM, TORQUE_SD_NM, TORQUE);
    }

    static Figure temperature(String id) {
        return figure(id, Dimension.TEMPERATURE, -40, 700, TEMPERATURE_SD_C, TEMPERATURE);
    }

    static Figure stroke(String id) {
        return figure(id, Dimension.LENGTH, 0, 60, STROKE_SD_MM, STROKE);
    }

    /** A gap by feeler or depth gauge; negative where the rod stands proud. */
    static Figure gap(String id) {
        return figure(id, Dimension.LENGTH, -15, 25, FEELER_SD_MM, FEELER);
    }

    /** A bore across two diameters, the wider of them. */
    static Figure bore(String id) {
        return figure(id, Dimension.LENGTH, 5, 80, BORE_SD_MM, BORE);
    }

    /** The same bore along and across where the piston works; what the bore was made to is shared. */
    static ReadingSpec.Series boreBothWays(String wider, String narrower) {
        return new ReadingSpec.Series(
                List.of(
                        figure(wider, Dimension.LENGTH, 5, 80, BORE_SD_MM, OVAL),
                        figure(narrower, Dimension.LENGTH, 5, 80, BORE_SD_MM, OVAL)),
                MADE_TO_MM);
    }

    /** A movement by rule. */
    static Figure movement(String id) {
        return figure(id, Dimension.LENGTH, 0, 60, RULE_SD_MM, RULE);
    }

    static Figure water(String id) {
        return figure(id, Dimension.SHARE, 0, 20, WATER_SD_PERCENT, WATER);
    }

    static Figure caught(String id) {
        return figure(id, Dimension.VOLUME, 0, 60, CUP_SD_ML, CAUGHT);
    }

    /** Travel on one tape at these seconds of a hold. */
    static ReadingSpec.Series hold(int... seconds) {
        List<Figure> figures =
                Arrays.stream(seconds).mapToObj(Figures::travelAt).toList();
        return new ReadingSpec.Series(figures, DATUM_SD_MM);
    }

    /** Figures on one tape. */
    static ReadingSpec.Series onOneTape(Figure... figures) {
        return new ReadingSpec.Series(List.of(figures), DATUM_SD_MM);
    }

    /** The same kind of figure at each of these places, none shared. */
    static ReadingSpec.Series atEach(List<String> places, java.util.function.Function<String, Figure> kind) {
        return new ReadingSpec.Series(places.stream().map(kind).toList(), 0);
    }
}
