package overturn.suspect;

import java.util.List;
import overturn.circuit.Layout;

/**
 * All suspects of a layout, each with its physics, severity, remedy and frequency in one place. Severities:
 * docs/trade-figures.md C, drawn where the complaint is felt; frequencies: docs/trade-figures.md D; splits within a
 * group and whatever that page leaves open are estimates.
 */
public final class SuspectCatalogue {

    /** Id of the hypothesis that the vehicle is sound. */
    public static final String NOTHING_WRONG = "nothing-wrong";

    private SuspectCatalogue() {}

    /** The suspects of this layout, nothing wrong first; order is stable. */
    public static List<Suspect> of(Layout layout) {
        SuspectList list = new SuspectList(layout);
        list.nothingWrong(
                NOTHING_WRONG,
                Frequency.NONE
                        .vacuumBrake(8)
                        .unassistedBrake(2)
                        .hydraulicBrake(5)
                        .pedalClutch(4)
                        .concentricClutch(4)
                        .leverBrake(3)
                        .leverClutch(5));
        MasterSuspects.addTo(list);
        InputSuspects.addTo(list);
        AssistSuspects.addTo(list);
        LineSuspects.addTo(list);
        EndSuspects.addTo(list);
        ClutchSuspects.addTo(list);
        FluidSuspects.addTo(list);
        return list.all();
    }
}
