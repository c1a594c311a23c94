package overturn.repair;

import overturn.circuit.Layout;
import overturn.circuit.LayoutVariant;

/** The circuit after a part of another size was put in, or something was set another way, knowingly. */
public final class ChangedLayout {

    /** In the id of a changed layout, between that of the one it was and what was changed. */
    public static final String OF = "~";

    private static final String BORE = "new-bore";
    private static final String PISTON = "new-piston";
    private static final String FREE_PLAY = "free-play";
    /** A part that goes into the same place has between half and twice the size; chosen. */
    private static final double MOST_TIMES = 2;
    /** Free play of more than this share of the way leaves no stroke; chosen. */
    private static final double MOST_PLAY_SHARE = 0.5;

    private ChangedLayout() {}

    /** Whether a circuit can have this figure. */
    public static boolean possible(Layout layout, Asked asked, double value) {
        return switch (asked.id()) {
            case BORE, PISTON -> {
                double listed = asked.listed().orElse(value);
                yield value >= listed / MOST_TIMES && value <= listed * MOST_TIMES;
            }
            case FREE_PLAY ->
                value >= 0 && value <= MOST_PLAY_SHARE * layout.input().travelToStopMm();
            default -> true;
        };
    }

    /**
     * The circuit once a step was done with a figure that differs from the list; the same where the figure is one that
     * changes nothing, or that no circuit can have.
     *
     * @param value as measured, core unit
     */
    public static Layout of(Layout layout, WorkStep step, Asked asked, double value) {
        if (!asked.differs(value) || !possible(layout, asked, value)) {
            return layout;
        }
        Layout changed = switch (asked.id()) {
            case BORE -> LayoutVariant.withBore(layout, value);
            case PISTON -> LayoutVariant.withPiston(layout, step.place(), value);
            case FREE_PLAY -> LayoutVariant.withFreePlay(layout, value);
            default -> layout;
        };
        return changed == layout
                ? layout
                : LayoutVariant.named(changed, layout.id() + OF + asked.id() + "-" + value + "@" + step.place());
    }
}
