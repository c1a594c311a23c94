package overturn.app.api.job;

import java.util.List;
import java.util.Optional;
import overturn.app.job.RepairState;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;

/** The bleed sheet and its ends. */
public final class BleedViews {

    private BleedViews() {}

    /**
     * The bleed sheet.
     *
     * @param withoutPedal whether a stroke is a portion let out
     * @param fills whether fluid comes up from the end, so that the reservoir is drawn down instead of topped up
     * @param bubblesAfterRest whether bubbles came after the last rest, so that another round is asked
     * @param rounds rounds after a rest so far, the one under way among them
     * @param roundMinutes what another rest and round take
     * @param makersOrder ends as the maker gives them; empty while the workshop's order is kept
     */
    public record BleedSheetView(
            String method,
            boolean withoutPedal,
            boolean fills,
            Optional<String> methodCautionId,
            String order,
            List<String> makersOrder,
            Optional<String> orderSource,
            List<BleedEndView> ends,
            Optional<String> next,
            boolean restFirst,
            boolean bubblesAfterRest,
            int rounds,
            double roundMinutes,
            double restMinutes,
            boolean done,
            double roomMl,
            double aboveMinimumMl,
            double strokeMl,
            int safeStrokes,
            boolean topUpNow,
            double leftMl) {

        static BleedSheetView of(BleedSheet sheet, RepairState repair, double roomMl) {
            Schools schools = repair.schools();
            return new BleedSheetView(
                    schools.method().id(),
                    schools.method().withoutPedal(),
                    schools.method().fills(),
                    schools.method().cautionId(),
                    schools.order().id(),
                    schools.makersOrder(),
                    Optional.of(repair.orderSource()).filter(source -> !source.isEmpty()),
                    sheet.ends().stream().map(BleedEndView::of).toList(),
                    sheet.next(),
                    sheet.restFirst(),
                    sheet.bubblesAfterRest(),
                    sheet.rounds(),
                    sheet.roundMinutes(),
                    BleedSheet.REST_MINUTES,
                    sheet.done(),
                    roomMl,
                    sheet.reservoir().aboveMinimumMl(),
                    sheet.reservoir().strokeMl(),
                    sheet.reservoir().safeStrokes(),
                    sheet.reservoir().topUpNow(),
                    sheet.leftMl());
        }
    }

    /** One end of the bleed sheet. */
    public record BleedEndView(
            String id,
            BleedSheet.State state,
            int strokes,
            double takenMl,
            double leftMl,
            Optional<BleedEvent.Bubbles> bubbles,
            Optional<BleedEvent.Colour> colour,
            int strokesNow) {

        static BleedEndView of(BleedSheet.End end) {
            return new BleedEndView(
                    end.id(),
                    end.state(),
                    end.strokes(),
                    end.takenMl(),
                    end.leftMl(),
                    end.bubbles(),
                    end.colour(),
                    end.strokesNow());
        }
    }
}
