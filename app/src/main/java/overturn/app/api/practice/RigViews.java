package overturn.app.api.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import overturn.app.usecase.practice.Practise;
import overturn.bleeding.BleedEvent;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.practice.Hose;
import overturn.practice.RigState;
import overturn.secondworld.LiveVehicle;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

/** The vehicle of an exercise as it is told: how it stands, what it shows, what tests show on it. */
final class RigViews {

    private RigViews() {}

    /** What was seen in the bleed hose at the last end that was bled, in words of the bleed sheet. */
    record HoseView(String endId, int strokes, BleedEvent.Bubbles bubbles, BleedEvent.Colour colour) {

        static HoseView of(Hose hose) {
            return new HoseView(hose.endId(), hose.strokes(), hose.bubbles(), hose.colour());
        }
    }

    /**
     * How the vehicle of an exercise stands; words of {@code mishaps} are {@code mishap.<id>}, of {@code stopped}
     * {@code hazard.<id>}.
     */
    record RigView(
            double forceN,
            boolean engineOn,
            boolean capOn,
            List<String> plugged,
            List<String> cracked,
            List<String> takenOut,
            double aboveMinimumMl,
            double rodTooLongMm,
            Map<String, Double> misfits,
            boolean warm,
            double minutes,
            List<String> replaced,
            Optional<HoseView> hose,
            List<String> mishaps,
            Optional<String> stopped) {

        static RigView of(RigState rig) {
            return new RigView(
                    rig.footN(),
                    rig.engineOn(),
                    rig.capOn(),
                    rig.cuts().closed().stream().sorted().toList(),
                    rig.cuts().opened().stream().sorted().toList(),
                    rig.cuts().isolations().stream()
                            .map(i -> i.name().toLowerCase(Locale.ROOT).replace('_', '-'))
                            .sorted()
                            .toList(),
                    rig.reservoirMl(),
                    rig.rodTooLongMm(),
                    rig.misfits(),
                    rig.warm(),
                    rig.minutes(),
                    remedies(rig.replaced()),
                    rig.hose().map(HoseView::of),
                    rig.mishaps().stream().map(RigState.Mishap::id).toList(),
                    rig.stopped().map(RigState.Hazard::id));
        }

        private static List<String> remedies(Repaired done) {
            return done.cures().stream()
                    .flatMap(cure -> cure.remedies().stream())
                    .map(Remedy::id)
                    .toList();
        }
    }

    /**
     * One moment of the live vehicle; {@code rests} while nothing moves. Chambers by their place, ends by their id;
     * {@code read} is what each instrument shows, none where it dropped out.
     */
    record RigMomentView(
            long tick,
            boolean rests,
            double forceN,
            double travelMm,
            Map<String, Double> barByChamber,
            Map<String, Double> barByEnd,
            Map<String, Double> dragNmByEnd,
            double reserve,
            double supply,
            double slaveStrokeMm,
            double heatC,
            double dripMlPerMinute,
            double aboveMinimumMl,
            Map<String, Double> read) {

        static RigMomentView of(Practise.Moment moment) {
            LiveVehicle.Shown shown = moment.shown();
            Map<String, Double> bars = new TreeMap<>();
            shown.barByChamber()
                    .forEach((chamber, bar) -> bars.put(chamber.name().toLowerCase(Locale.ROOT), round(bar)));
            return new RigMomentView(
                    moment.tick(),
                    moment.rests(),
                    round(shown.forceN()),
                    round(shown.travelMm()),
                    bars,
                    rounded(shown.endBarById()),
                    rounded(shown.dragNmById()),
                    round(shown.reserve()),
                    round(shown.supply()),
                    round(shown.slaveStrokeMm()),
                    round(shown.heatC()),
                    round(shown.dripMlPerMinute()),
                    round(moment.state().reservoirMl()),
                    read(moment));
        }

        private static Map<String, Double> read(Practise.Moment moment) {
            Map<String, Double> all = new TreeMap<>();
            moment.read().forEach((kind, value) -> all.put(kind.id(), round(value)));
            return all;
        }

        private static Map<String, Double> rounded(Map<String, Double> values) {
            Map<String, Double> all = new TreeMap<>();
            values.forEach((id, value) -> all.put(id, round(value)));
            return all;
        }

        private static double round(double value) {
            return Math.rint(value * 100) / 100;
        }
    }

    /** A figure as the instrument showed it; {@code text} is typed as it is. */
    record FigureShown(String id, String text, String unit) {}

    /** What a test showed: figures, or the option seen; and what the check of its rig said. */
    record TestShown(String procedureId, List<FigureShown> figures, Optional<String> observed, String rigCheck) {

        static TestShown of(Practise.Shown shown) {
            List<FigureShown> figures = new ArrayList<>();
            if (shown.value() instanceof Figures taken && shown.test().spec() instanceof Series series) {
                List<Figure> of = series.figures();
                IntStream.range(0, of.size())
                        .forEach(k -> taken.taken()
                                .get(k)
                                .ifPresent(q -> figures.add(new FigureShown(
                                        of.get(k).id(), q.text(), q.unit().symbol()))));
            }
            return new TestShown(
                    shown.test().id(),
                    figures,
                    shown.value() instanceof Observed seen ? Optional.of(seen.option()) : Optional.empty(),
                    shown.doubtful() ? "doubtful" : "sound");
        }
    }

    /** What a driver would say of the vehicle now. */
    record FeltView(String felt) {}
}
