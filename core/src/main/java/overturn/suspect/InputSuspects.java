package overturn.suspect;

import java.util.List;
import overturn.circuit.Input.Lever;
import overturn.suspect.Fault.LostMotion;
import overturn.suspect.Fault.PreLoad;
import overturn.suspect.Fault.Rod;
import overturn.suspect.Suspect.Origin;

/** What can be wrong at pedal, lever, rods and lamp switch. */
final class InputSuspects {

    private static final Severity RETURN_SECONDS = Severity.of(0.8, 1.6, 0.3, 4);
    private static final Severity FLEX_MM_PER_KN = Severity.of(4, 1.5, 2, 12);
    private static final Severity PRE_LOAD_MM = Severity.of(1.2, 1.5, 0.5, 4);
    /** A turn or less is the usual fault: its thread is about a millimetre. */
    private static final Severity OUTPUT_ROD_MM = Severity.of(0.9, 1.7, 0.3, 3);

    private static final Severity ROD_GAP_MM = Severity.of(3, 1.5, 1.2, 8);
    private static final Severity RATIO_STEP = Severity.of(0.22, 1.4, 0.12, 0.5);
    private static final Severity BUSH_MM = Severity.of(1.2, 1.5, 0.5, 3);

    private InputSuspects() {}

    static void addTo(SuspectList list) {
        boolean lever = list.layout().input() instanceof Lever;
        List<String> leverOnly = lever ? list.input() : List.of();
        double play = list.layout().input().freePlayMm() / list.layout().input().ratioAtRest()
                + 0.6 * list.layout().master().portTravelMm();
        list.add(
                "input-binding",
                list.input(),
                Remedy.FREE_INPUT,
                Origin.WEAR,
                Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.5)
                        .pedalClutch(1.5)
                        .concentricClutch(1)
                        .leverBrake(1)
                        .leverClutch(1),
                (q, l, r) -> List.of(new Fault.InputBinding(
                        RETURN_SECONDS.at(q), 0.2 * l.master().springsN())));
        list.add(
                "bracket-flexing",
                list.input(),
                Remedy.STIFFEN_BRACKET,
                Origin.WEAR,
                Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(0.8)
                        .hydraulicBrake(0.3)
                        .pedalClutch(2)
                        .concentricClutch(1.5),
                (q, l, r) -> List.of(new Fault.BracketFlex(FLEX_MM_PER_KN.at(q))));
        list.add(
                "pedal-stop-wrong",
                list.input(),
                Remedy.SET_STOP,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.3)
                        .unassistedBrake(1.5)
                        .hydraulicBrake(0.3)
                        .pedalClutch(1)
                        .concentricClutch(0.7),
                (q, l, r) -> List.of(new PreLoad(Rod.PEDAL_STOP, play + PRE_LOAD_MM.at(q))));
        list.add(
                "rod-too-long",
                list.input(),
                Remedy.SHORTEN_ROD,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(2.5)
                        .hydraulicBrake(0.5)
                        .pedalClutch(1.5)
                        .concentricClutch(1),
                (q, l, r) -> List.of(new PreLoad(Rod.PEDAL_ROD, play + PRE_LOAD_MM.at(q))));
        list.add(
                "rod-gap-too-large",
                list.input(),
                Remedy.LENGTHEN_ROD,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(1.5)
                        .unassistedBrake(2.5)
                        .hydraulicBrake(0.8)
                        .pedalClutch(3)
                        .concentricClutch(1.5),
                (q, l, r) -> List.of(new LostMotion(Rod.PEDAL_ROD, ROD_GAP_MM.at(q))));
        list.add(
                "wrong-ratio",
                lever ? List.of() : list.input(),
                Remedy.CORRECT_INPUT,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.1)
                        .unassistedBrake(0.8)
                        .hydraulicBrake(0.1)
                        .pedalClutch(1)
                        .concentricClutch(0.5),
                (q, l, r) -> List.of(
                        new Fault.WrongRatio(r.nextBoolean() ? 1 + RATIO_STEP.at(q) : 1 / (1 + RATIO_STEP.at(q)))));
        list.add(
                "output-rod-too-long",
                list.assist(),
                Remedy.SET_OUTPUT_ROD,
                Origin.SETTING,
                Frequency.NONE.vacuumBrake(0.4).hydraulicBrake(0.4),
                (q, l, r) -> List.of(new PreLoad(Rod.OUTPUT_ROD, OUTPUT_ROD_MM.at(q))));
        list.add(
                "output-rod-too-short",
                list.assist(),
                Remedy.SET_OUTPUT_ROD,
                Origin.SETTING,
                Frequency.NONE.vacuumBrake(0.4).hydraulicBrake(0.4),
                (q, l, r) -> List.of(new LostMotion(Rod.OUTPUT_ROD, ROD_GAP_MM.at(q))));
        list.add(
                "lever-bent",
                leverOnly,
                Remedy.RENEW_LEVER,
                Origin.NEITHER,
                Frequency.NONE.leverBrake(1.2).leverClutch(2),
                (q, l, r) -> List.of(new Fault.WrongRatio(1 / (1 + RATIO_STEP.at(q))), new Fault.InputBinding(0.3, 2)));
        list.add(
                "lever-bush-worn",
                leverOnly,
                Remedy.RENEW_LEVER,
                Origin.WEAR,
                Frequency.NONE.leverBrake(1).leverClutch(2),
                (q, l, r) -> List.of(new LostMotion(Rod.LEVER_BUSH, BUSH_MM.at(q))));
        list.add(
                "reach-screw-preload",
                leverOnly,
                Remedy.SET_REACH,
                Origin.SETTING,
                Frequency.NONE.leverBrake(1.5).leverClutch(2),
                (q, l, r) -> List.of(new PreLoad(Rod.REACH_SCREW, play + 0.5 * PRE_LOAD_MM.at(q))));
        list.add(
                "lamp-switch-wrong",
                list.input(),
                Remedy.SET_LAMP_SWITCH,
                Origin.SETTING,
                Frequency.NONE
                        .vacuumBrake(0.5)
                        .unassistedBrake(0.5)
                        .hydraulicBrake(0.5)
                        .leverBrake(0.5),
                (q, l, r) -> List.of(new Fault.LampSwitchWrong()));
    }
}
