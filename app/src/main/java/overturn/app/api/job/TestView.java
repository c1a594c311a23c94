package overturn.app.api.job;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import overturn.app.api.job.RepairView.NeededView;
import overturn.app.usecase.job.Jobs.Job;
import overturn.circuit.Layout;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.RulerBands;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.procedure.Gesture;
import overturn.procedure.Needed;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Step;
import overturn.procedure.StepActs;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleWords;
import overturn.protocol.Sensed;
import overturn.quantity.Dimension;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.suspect.Repaired;
import overturn.suspect.SuspectCatalogue;

/**
 * A test as it is done on this job: steps, what exactly the reading needs, and where it would lie.
 *
 * @param minutes that it takes here
 * @param options observations that are allowed, not-seen included; empty for a series
 * @param atHand what has to be at hand before it is begun
 * @param readsCodes whether codes are noted beside what was seen
 * @param forcesN the forces that steps speak of, by name
 */
public record TestView(
        String id,
        double minutes,
        Procedure.Nature nature,
        boolean gate,
        String rigKind,
        NeedsView needs,
        List<StepView> steps,
        List<FigureView> figures,
        List<String> options,
        Map<String, Double> forcesN,
        List<NeededView> atHand,
        boolean readsCodes) {

    static TestView of(Procedure procedure, Job job) {
        LayoutModel model = job.model();
        Belief belief = job.assessment().history().now();
        PressForces forces = model.procedures().forces();
        List<RulerBands.FigureBands> bands = RulerBands.of(belief, procedure);
        Optional<List<RulerBands.Band>> before = job.before()
                .map(as -> RulerBands.of(
                        as.now(),
                        as.model().procedures().find(procedure.id()).orElseThrow(),
                        SuspectCatalogue.NOTHING_WRONG));
        List<Sensed> sampled = procedure.protocol().sampled();
        List<FigureView> figures = procedure.spec() instanceof Series series
                ? IntStream.range(0, series.figures().size())
                        .mapToObj(i -> FigureView.of(
                                series.figures().get(i),
                                sampled.get(i) == Sensed.TRAVEL_MM,
                                bands,
                                before.map(b -> b.get(i)),
                                readBefore(job, procedure, i)))
                        .toList()
                : List.of();
        List<String> options = procedure.spec() instanceof Observation observation
                ? Stream.concat(observation.options().stream(), Stream.of(Observation.NOT_SEEN))
                        .toList()
                : List.of();
        return new TestView(
                procedure.id(),
                job.planning().minutes(procedure),
                procedure.nature(),
                procedure.gate(),
                procedure.rigKind().id(),
                NeedsView.of(procedure.needs()),
                procedure.steps().stream()
                        .map(step -> StepView.of(procedure, step, model.layout()))
                        .toList(),
                figures,
                options,
                Map.of(
                        "gentle",
                        forces.gentleN(),
                        "easy",
                        forces.easyN(),
                        "stroke",
                        forces.strokeN(),
                        "medium",
                        forces.mediumN(),
                        "running",
                        forces.runningN()),
                Needed.of(procedure).stream().map(NeededView::of).toList(),
                procedure.readsCodes());
    }

    /** What a figure of this test read last before what has been repaired since. */
    private static Optional<Double> readBefore(Job job, Procedure procedure, int figure) {
        Repaired done = job.assessment().history().done();
        return done.isEmpty()
                ? Optional.empty()
                : job.state().readings().stream()
                        .filter(reading -> reading.procedureId().equals(procedure.id()))
                        .filter(reading -> !reading.after().equals(done))
                        .reduce((first, second) -> second)
                        .flatMap(reading -> ((Figures) reading.value()).taken().get(figure))
                        .map(TypedQuantity::coreValue);
    }

    /** The state in which the vehicle has to stand. */
    public record NeedsView(boolean bonnetOpen, boolean raised, boolean wheelsOff, VehicleNeeds.Opened opened) {

        public static NeedsView of(VehicleNeeds needs) {
            return new NeedsView(needs.bonnetOpen(), needs.raised(), needs.wheelsOff(), needs.opened());
        }
    }

    /**
     * One action.
     *
     * @param word key of its sentence on this vehicle
     * @param gesture what hands, feet or eyes do
     * @param at components at which they do it
     * @param joints joints that are plugged, cracked or followed
     * @param aloneWord key of how one person does it, or that nobody can; absent where it takes one person anyway
     */
    public record StepView(
            String id,
            String word,
            Optional<String> place,
            Gesture gesture,
            List<String> at,
            List<String> joints,
            Optional<Integer> timerSeconds,
            List<String> figures,
            Optional<String> cautionId,
            List<String> fits,
            Optional<String> aloneWord) {

        static StepView of(Procedure procedure, Step step, Layout layout) {
            StepActs.StepAct act = StepActs.of(procedure, step, layout);
            return new StepView(
                    step.id(),
                    VehicleWords.key("test." + procedure.wordId() + ".step." + step.id(), layout),
                    step.place(),
                    act.gesture(),
                    act.places(),
                    act.joints(),
                    step.timerSeconds().isPresent()
                            ? Optional.of(step.timerSeconds().getAsInt())
                            : Optional.empty(),
                    step.figures(),
                    step.cautionId(),
                    step.fits(),
                    step.help() == Step.Help.NONE
                            ? Optional.empty()
                            : Optional.of("test." + procedure.wordId() + ".alone"));
        }
    }

    /**
     * A figure to enter: dimension, allowed range in the core's unit, when it is called, and its ruler.
     *
     * @param fromRest whether it is a travel, which a tape shows as the difference from what it showed at rest
     * @param readBefore what it read before the repair, core unit
     * @param soundBefore where a sound vehicle read before a repair put another size in
     */
    public record FigureView(
            String id,
            Dimension dimension,
            String unit,
            List<String> units,
            double least,
            double most,
            double noiseSd,
            boolean fromRest,
            Optional<Integer> atSecond,
            List<BandView> bands,
            Optional<Double> readBefore,
            Optional<BandView> soundBefore) {

        static FigureView of(
                Figure figure,
                boolean fromRest,
                List<RulerBands.FigureBands> bands,
                Optional<RulerBands.Band> soundBefore,
                Optional<Double> readBefore) {
            List<BandView> own = bands.stream()
                    .filter(b -> b.figureId().equals(figure.id()))
                    .flatMap(b -> b.bands().stream())
                    .map(b -> new BandView(b.suspectId(), b.low(), b.high()))
                    .toList();
            return new FigureView(
                    figure.id(),
                    figure.dimension(),
                    figure.dimension().coreUnit().symbol(),
                    MeasureUnit.of(figure.dimension()).stream()
                            .map(MeasureUnit::symbol)
                            .toList(),
                    figure.least(),
                    figure.most(),
                    figure.noiseSd(),
                    fromRest,
                    figure.atSecond().isPresent()
                            ? Optional.of(figure.atSecond().getAsInt())
                            : Optional.empty(),
                    own,
                    readBefore,
                    soundBefore.map(b -> new BandView(b.suspectId(), b.low(), b.high())));
        }
    }

    /** Where a figure would lie under one suspect, core unit. */
    public record BandView(String suspectId, double low, double high) {}
}
