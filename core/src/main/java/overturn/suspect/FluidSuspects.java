package overturn.suspect;

import java.util.List;

/** What can be wrong with the fluid itself. */
final class FluidSuspects {

    private static final Severity WATER_PERCENT =
            Severity.median(4.5).spread(1.25).within(3, 8);
    private static final Severity SWOLLEN_DRAIN_SECONDS =
            Severity.median(300).spread(2.5).within(60, 20_000);
    private static final Severity SHORT_SHARE = Severity.median(0.4).spread(1.6).within(0.1, 1);
    /** Air drawn in per mL short; estimate. */
    private static final double AIR_PER_ML_SHORT = 0.08;

    private FluidSuspects() {}

    static void addTo(SuspectList list) {
        List<String> reservoir = List.of(list.layout().reservoir().id());
        list.suspect("fluid-aged")
                .at(reservoir)
                .curedBy(Remedy.CHANGE_FLUID)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(1.5)
                        .unassistedBrake(1)
                        .hydraulicBrake(1.5)
                        .pedalClutch(1)
                        .concentricClutch(1)
                        .leverBrake(3)
                        .leverClutch(2))
                .faults((q, l, r) -> List.of(new Fault.WetFluid(WATER_PERCENT.at(q))));
        list.suspect("fluid-wrong")
                .at(reservoir)
                .curedBy(Remedy.FLUSH_AND_RESEAL)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(0.5)
                        .hydraulicBrake(1)
                        .pedalClutch(0.7)
                        .concentricClutch(0.7)
                        .leverBrake(1)
                        .leverClutch(2))
                .faults((q, l, r) -> List.of(new Fault.WrongFluid(SWOLLEN_DRAIN_SECONDS.at(q))));
        list.suspect("fluid-low")
                .at(reservoir)
                .curedBy(Remedy.BLEED_MASTER)
                .frequency(Frequency.NONE
                        .vacuumBrake(2)
                        .unassistedBrake(1)
                        .hydraulicBrake(1)
                        .pedalClutch(2)
                        .concentricClutch(2)
                        .leverBrake(2)
                        .leverClutch(2))
                .faults((q, l, r) -> {
                    double shortMl = SHORT_SHARE.at(q) * l.reservoir().minToMaxMl();
                    return List.of(
                            new Fault.FluidLow(shortMl),
                            new Fault.TrappedAir(l.master().id(), list.anyChamber(r), AIR_PER_ML_SHORT * shortMl));
                });
    }
}
