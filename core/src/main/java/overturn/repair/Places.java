package overturn.repair;

import java.util.List;
import java.util.stream.Stream;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.MeteringValve;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.Component.QuickConnector;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Layout;
import overturn.suspect.Remedy;

/** Where each remedy is done on a layout. */
final class Places {

    private Places() {}

    static List<String> of(Layout layout, Remedy remedy) {
        List<String> all = switch (remedy) {
            case SET_ROD,
                    SHORTEN_ROD,
                    LENGTHEN_ROD,
                    SET_STOP,
                    FREE_INPUT,
                    STIFFEN_BRACKET,
                    CORRECT_INPUT,
                    RENEW_LEVER,
                    SET_REACH,
                    SET_LAMP_SWITCH -> ids(Stream.of(layout.input()));
            case SET_OUTPUT_ROD,
                    RESTORE_SUPPLY,
                    RENEW_SUPPLY_HOSE,
                    RENEW_CHECK_VALVE,
                    RESEAL_ASSIST_JOINT,
                    RENEW_ASSIST,
                    RESEAL_ASSIST,
                    MAKE_ASSIST_LINE_DRY,
                    RESTORE_PUMP,
                    RENEW_ACCUMULATOR,
                    CLEAR_RETURN,
                    BLEED_ASSIST -> ids(layout.assist().stream());
            case SET_LEVEL, RESEAL_RESERVOIR, CHANGE_FLUID, FLUSH_AND_RESEAL -> ids(Stream.of(layout.reservoir()));
            case MAKE_JOINT_DRY, RENEW_PIPE -> ids(layout.all(Pipe.class).stream());
            case RENEW_HOSES -> ids(layout.all(Hose.class).stream());
            case RENEW_VALVE ->
                ids(Stream.concat(
                        layout.all(ProportioningValve.class).stream(), layout.all(MeteringValve.class).stream()));
            case RENEW_CONNECTOR -> ids(layout.all(QuickConnector.class).stream());
            case BLEED_MODULATOR, RENEW_MODULATOR, MEND_MODULATOR_SIGNAL -> ids(layout.modulator().stream());
            case BLEED_FRONT -> ids(layout.ends().stream().filter(e -> !e.rear()));
            case BLEED_REAR -> ids(layout.ends().stream().filter(End::rear));
            case FREE_SLIDES, MEND_RUNOUT -> ids(layout.all(DiscEnd.class).stream());
            case ADJUST_SHOES -> ids(layout.all(DrumEnd.class).stream());
            case FREE_PARKING_BRAKE -> ids(layout.all(DrumEnd.class).stream().filter(DrumEnd::parkingBrake));
            case BLEED_LOOP -> ids(layout.all(Pipe.class).stream().filter(Pipe::highLoop));
            case SWAP_ENDS ->
                ids(layout.ends().stream().filter(end -> layout.across(end).isPresent()));
            case RENEW_END,
                    RESEAL_END,
                    FIT_MATCHING_END,
                    RENEW_LININGS,
                    RENEW_SLAVE,
                    BLEED_CLUTCH,
                    RENEW_FORK,
                    RENEW_CLUTCH -> ids(layout.ends().stream());
            case RENEW_MASTER,
                    CLEAN_MASTER,
                    FIT_RIGHT_MASTER,
                    RESIDUAL_VALVE,
                    BLEED_MASTER,
                    REROUTE_PORTS,
                    HAND_BACK,
                    LOOK_ELSEWHERE -> ids(Stream.of(layout.master()));
        };
        return all.isEmpty() ? List.of(layout.master().id()) : all;
    }

    private static List<String> ids(Stream<? extends Component> parts) {
        return parts.map(Component::id).toList();
    }
}
