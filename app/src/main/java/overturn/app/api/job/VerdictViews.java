package overturn.app.api.job;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import overturn.app.usecase.job.AcceptVerdict;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.workshop.WorkshopSettings;
import overturn.inference.SuspectedPlaces;
import overturn.quantity.Dimension;
import overturn.repair.WorkPlan;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;
import overturn.verdict.Verdict.Missing;

/** Where an assessment stands, and what would overturn it. */
public final class VerdictViews {

    private VerdictViews() {}

    /**
     * Where it stands.
     *
     * @param remedyIds what will be done: one remedy, or both of a pair; to be named when it is accepted
     * @param alsoRemedyId the second remedy, where two suspects are at fault at once
     * @param enough probability that nothing beyond it is needed
     * @param wrongPartMinutes what acting on it now is expected to waste
     */
    public record VerdictView(
            List<String> remedyIds,
            String remedyId,
            String suspectId,
            Optional<String> alsoRemedyId,
            Optional<String> alsoSuspectId,
            List<PlacesView> places,
            double probability,
            double enough,
            Grade grade,
            List<UUID> carriers,
            List<Missing> missing,
            List<OverturnerView> overturners,
            Optional<StripDownView> stripDown,
            double remedyMinutes,
            double wrongPartMinutes) {

        static VerdictView of(Verdict verdict, WorkshopSettings workshop, Job job) {
            Optional<Suspect> also = verdict.suspects().stream().skip(1).findFirst();
            return new VerdictView(
                    verdict.remedies().stream().map(Remedy::id).toList(),
                    verdict.remedy().id(),
                    verdict.suspectId(),
                    also.map(s -> s.remedy().id()),
                    also.map(Suspect::id),
                    verdict.remedies().stream().map(r -> PlacesView.of(r, job)).toList(),
                    verdict.probability(),
                    verdict.enough(),
                    verdict.grade(),
                    verdict.carriers().stream()
                            .map(r -> UUID.fromString(r.id()))
                            .toList(),
                    verdict.missing(),
                    verdict.overturners().stream().map(OverturnerView::of).toList(),
                    verdict.stripDown().map(StripDownView::of),
                    verdict.cure().remedies().stream()
                            .mapToDouble(r -> workshop.priceOf(r).labourMinutes())
                            .sum(),
                    verdict.wasteMinutes());
        }
    }

    /**
     * Where a remedy of the verdict can be done, the most suspected first; one part where it is done at all of them.
     *
     * @param toldId the part that the readings tell, or the first where the fault is at several at once; missing where
     *     they leave it open
     */
    public record PlacesView(String remedyId, List<PlaceView> parts, Optional<String> toldId) {

        static PlacesView of(Remedy remedy, Job job) {
            Map<String, Double> shares = job.placesOf(remedy);
            if (WorkPlan.isForAll(job.model().layout(), remedy)) {
                String first = AcceptVerdict.first(shares);
                return new PlacesView(remedy.id(), List.of(new PlaceView(first, 1)), Optional.of(first));
            }
            return new PlacesView(
                    remedy.id(),
                    shares.entrySet().stream()
                            .map(e -> new PlaceView(e.getKey(), e.getValue()))
                            .toList(),
                    job.assessment().history().now().places().isTogether(remedy)
                            ? shares.keySet().stream().findFirst()
                            : SuspectedPlaces.told(shares));
        }
    }

    /**
     * One part where a remedy can be done.
     *
     * @param share how likely it is this one of them, if the remedy is right; together one
     */
    public record PlaceView(String componentId, double share) {}

    /** Suspects that no test left here tells apart, and the looks at the parts themselves that will. */
    public record StripDownView(List<String> suspectIds, List<String> procedureIds) {

        static StripDownView of(Verdict.StripDown group) {
            return new StripDownView(group.group().stream().map(Suspect::id).toList(), group.looks());
        }
    }

    /**
     * A reading that would overturn the verdict: a figure above or below a threshold (core unit), or an observation.
     */
    public record OverturnerView(
            String rivalRemedyId,
            String procedureId,
            boolean anotherRig,
            Optional<String> figureId,
            Optional<Dimension> dimension,
            boolean above,
            double threshold,
            Optional<String> option) {

        static OverturnerView of(Verdict.Overturner o) {
            return new OverturnerView(
                    o.rival().id(),
                    o.procedureId(),
                    o.anotherRig(),
                    o.figureId(),
                    o.dimension(),
                    o.above(),
                    o.threshold(),
                    o.option());
        }
    }
}
