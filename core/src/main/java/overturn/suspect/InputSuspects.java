package overturn.suspect;

import java.util.List;
import overturn.circuit.Input.Lever;
import overturn.suspect.Fault.LostMotion;
import overturn.suspect.Fault.PreLoad;
import overturn.suspect.Fault.Rod;

/** What can be wrong at pedal, lever, rods and lamp switch. */
final class InputSuspects {

    private static final Severity RETURN_SECONDS =
            Severity.median(0.8).spread(1.6).within(0.3, 4);
    private static final Severity FLEX_MM_PER_KN =
            Severity.median(4).spread(1.5).within(2, 12);
    private static final Severity PRE_LOAD_MM = Severity.median(1.2).spread(1.5).within(0.5, 4);
    /** A turn or less is the usual fault: its thread is about a millimetre. */
    private static final Severity OUTPUT_ROD_MM =
            Severity.median(0.9).spread(1.7).within(0.3, 3);

    private static final Severity ROD_GAP_MM = Severity.median(3).spread(1.5).within(1.2, 8);
    private static final Severity RATIO_STEP = Severity.median(0.22).spread(1.4).within(0.12, 0.5);
    private static final Severity BUSH_MM = Severity.median(1.2).spread(1.5).within(0.5, 3);

    private InputSuspects() {}

    static void addTo(SuspectList list) {
        boolean lever = list.layout().input() instanceof Lever;
        List<String> leverOnly = lever ? list.input() : List.of();
        double play = list.layout().input().freePlayMm() / list.layout().input().ratioAtRest()
                + 0.6 * list.layout().master().portTravelMm();
        list.suspect("input-binding")
                .at(list.input())
                .curedBy(Remedy.FREE_INPUT)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.5)
                        .pedalClutch(1.5)
                        .concentricClutch(1)
                        .leverBrake(1)
                        .leverClutch(1))
                .faults((q, l, r) -> List.of(new Fault.InputBinding(
                        RETURN_SECONDS.at(q), 0.2 * l.master().springsN())));
        list.suspect("bracket-flexing")
                .at(list.input())
                .curedBy(Remedy.STIFFEN_BRACKET)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(0.8)
                        .hydraulicBrake(0.3)
                        .pedalClutch(2)
                        .concentricClutch(1.5))
                .faults((q, l, r) -> List.of(new Fault.BracketFlex(FLEX_MM_PER_KN.at(q))));
        list.suspect("pedal-stop-wrong")
                .at(list.input())
                .curedBy(Remedy.SET_STOP)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.3)
                        .pedalClutch(1)
                        .concentricClutch(0.7))
                .faults((q, l, r) -> List.of(new PreLoad(Rod.PEDAL_STOP, play + PRE_LOAD_MM.at(q))));
        list.suspect("rod-too-long")
                .at(list.input())
                .curedBy(Remedy.SHORTEN_ROD)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(2.5)
                        .hydraulicBrake(0.5)
                        .pedalClutch(1.5)
                        .concentricClutch(1))
                .faults((q, l, r) -> List.of(new PreLoad(Rod.PEDAL_ROD, play + PRE_LOAD_MM.at(q))));
        list.suspect("rod-gap-too-large")
                .at(list.input())
                .curedBy(Remedy.LENGTHEN_ROD)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(1.5)
                        .unassistedBrake(2.5)
                        .hydraulicBrake(0.8)
                        .pedalClutch(3)
                        .concentricClutch(1.5))
                .faults((q, l, r) -> List.of(new LostMotion(Rod.PEDAL_ROD, ROD_GAP_MM.at(q))));
        list.suspect("wrong-ratio")
                .at(lever ? List.of() : list.input())
                .curedBy(Remedy.CORRECT_INPUT)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(0.8)
                        .hydraulicBrake(0.1)
                        .pedalClutch(1)
                        .concentricClutch(0.5))
                .faults((q, l, r) -> List.of(
                        new Fault.WrongRatio(r.nextBoolean() ? 1 + RATIO_STEP.at(q) : 1 / (1 + RATIO_STEP.at(q)))));
        list.suspect("output-rod-too-long")
                .at(list.assist())
                .curedBy(Remedy.SET_OUTPUT_ROD)
                .fromSetting()
                .frequency(Frequency.NONE.vacuumBrake(0.4).hydraulicBrake(0.4))
                .faults((q, l, r) -> List.of(new PreLoad(Rod.OUTPUT_ROD, OUTPUT_ROD_MM.at(q))));
        list.suspect("output-rod-too-short")
                .at(list.assist())
                .curedBy(Remedy.SET_OUTPUT_ROD)
                .fromSetting()
                .frequency(Frequency.NONE.vacuumBrake(0.4).hydraulicBrake(0.4))
                .faults((q, l, r) -> List.of(new LostMotion(Rod.OUTPUT_ROD, ROD_GAP_MM.at(q))));
        list.suspect("lever-bent")
                .at(leverOnly)
                .curedBy(Remedy.RENEW_LEVER)
                .frequency(Frequency.NONE.leverBrake(1.2).leverClutch(2))
                .faults((q, l, r) ->
                        List.of(new Fault.WrongRatio(1 / (1 + RATIO_STEP.at(q))), new Fault.InputBinding(0.3, 2)));
        list.suspect("lever-bush-worn")
                .at(leverOnly)
                .curedBy(Remedy.RENEW_LEVER)
                .fromWear()
                .frequency(Frequency.NONE.leverBrake(1).leverClutch(2))
                .faults((q, l, r) -> List.of(new LostMotion(Rod.LEVER_BUSH, BUSH_MM.at(q))));
        list.suspect("reach-screw-preload")
                .at(leverOnly)
                .curedBy(Remedy.SET_REACH)
                .fromSetting()
                .frequency(Frequency.NONE.leverBrake(1.5).leverClutch(2))
                .faults((q, l, r) -> List.of(new PreLoad(Rod.REACH_SCREW, play + 0.5 * PRE_LOAD_MM.at(q))));
        list.suspect("lamp-switch-wrong")
                .at(list.input())
                .curedBy(Remedy.SET_LAMP_SWITCH)
                .fromSetting()
                .frequency(Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(0.5)
                        .hydraulicBrake(0.5)
                        .leverBrake(0.5))
                .faults((q, l, r) -> List.of(new Fault.LampSwitchWrong()));
    }
}
