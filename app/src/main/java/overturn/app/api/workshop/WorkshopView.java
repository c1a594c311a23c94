package overturn.app.api.workshop;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import overturn.app.usecase.workshop.TellWorkshop;
import overturn.app.workshop.WorkshopSettings;

/**
 * What the workshop has and what things cost there.
 *
 * @param schools the ways that are not the usual ones, by the ids of their schools
 * @param ratePerHour labour rate; absent where only minutes count
 */
public record WorkshopView(
        int version,
        String name,
        boolean helper,
        boolean lift,
        String bleedMethod,
        String bleedOrder,
        Map<String, String> schools,
        Optional<Double> ratePerHour,
        Optional<String> currency,
        List<ToolView> tools,
        List<PriceView> prices) {

    public static WorkshopView of(WorkshopSettings settings) {
        return new WorkshopView(
                settings.version(),
                settings.name(),
                settings.helper(),
                settings.lift(),
                settings.bleeding().method(),
                settings.bleeding().order(),
                settings.schools().ids(),
                settings.rate().map(WorkshopSettings.Rate::perHour),
                settings.rate().map(WorkshopSettings.Rate::currency),
                TellWorkshop.TOOLS.stream()
                        .map(t -> new ToolView(t.id(), !settings.lacks().contains(t)))
                        .toList(),
                TellWorkshop.PRICED.stream()
                        .map(r -> new PriceView(
                                r.id(),
                                settings.priceOf(r).labourMinutes(),
                                settings.priceOf(r).partsMinutes()))
                        .toList());
    }

    /** A tool and whether it is there. */
    public record ToolView(String rigKind, boolean there) {}

    /** A remedy: minutes of labour, and its parts as minutes of labour. */
    public record PriceView(String remedyId, double labourMinutes, double partsMinutes) {}
}
