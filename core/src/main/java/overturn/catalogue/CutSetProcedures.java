package overturn.catalogue;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.CutSets;
import overturn.circuit.CutSets.Device;
import overturn.circuit.CutSets.Division;
import overturn.circuit.Layout;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;

/**
 * Holds on part of the circuit, one for every way to divide it that the catalogue does not have already. They share
 * their words by device; the joints follow in the id.
 */
final class CutSetProcedures {

    /** When a held pedal is read, s; docs/method.md. */
    private static final int[] HOLD_SECONDS = {5, 15, 30, 60};
    /** Tape, reserve spent and the hold itself; and fitting one device, what it cut off capped; minutes, estimates. */
    private static final double HOLD_MINUTES = 5;

    /** Putting a clamp on and off, minutes; estimate. */
    private static final double CLAMP_MINUTES = 1.5;
    /** Opening a joint, plugging and closing it, minutes; estimate. */
    private static final double PLUG_MINUTES = 5;

    private CutSetProcedures() {}

    static List<CutSetProcedure> of(Layout layout, List<Procedure> catalogue) {
        List<Division> divisions = CutSets.of(
                layout, catalogue.stream().map(p -> p.protocol().cuts()).toList());
        PressForces forces = PressForces.of(layout);
        return divisions.stream()
                .map(d -> new CutSetProcedure(test(layout, d, forces.mediumN()), d))
                .toList();
    }

    private static Procedure test(Layout layout, Division division, double forceN) {
        boolean clamped = division.device() == Device.CLAMP;
        List<Step> steps = new ArrayList<>();
        String fitting = clamped ? "clamp" : "plug";
        steps.add(Step.of("fit")
                .caution(clamped ? "clamps" : "open-circuit")
                .fits(division.joints().stream().map(j -> fitting + "@" + j).toArray(String[]::new)));
        if (!clamped) {
            steps.add(Step.of("prove-dry").caution("pressure"));
        }
        steps.addAll(List.of(Step.of("hold").timed(60).reads("at-5", "at-15", "at-30", "at-60"), Step.of("release")));
        return TestDraft.of(id(division), Protocol.cut(division.cuts()).hold(forceN, Sensed.TRAVEL_MM, HOLD_SECONDS))
                .reads(Figures.hold(HOLD_SECONDS))
                .isolates()
                .needs(needs(layout, division.device()))
                .minutes(HOLD_MINUTES + division.joints().size() * (clamped ? CLAMP_MINUTES : PLUG_MINUTES))
                .rig(rig(division.device()))
                .steps(steps);
    }

    private static String id(Division division) {
        return switch (division.device()) {
                    case CLAMP -> "cut-clamps";
                    case PORT_PLUG -> "cut-ports";
                    case OUTLET_PLUG -> "cut-outlets";
                    case LINE_PLUG -> "cut-lines";
                }
                + Procedure.PLACES
                + String.join("+", division.joints());
    }

    private static RigKind rig(Device device) {
        return switch (device) {
            case CLAMP -> RigKind.CLAMPS;
            case PORT_PLUG -> RigKind.PORT_PLUGS;
            case OUTLET_PLUG -> RigKind.OUTLET_PLUGS;
            case LINE_PLUG -> RigKind.LINE_PLUG;
        };
    }

    private static VehicleNeeds needs(Layout layout, Device device) {
        if (device == Device.CLAMP) {
            return VehicleNeeds.RAISED;
        }
        if (layout.family().clutch()) {
            return VehicleNeeds.openedAt(Opened.CLUTCH_LINE);
        }
        return switch (device) {
            case PORT_PLUG -> VehicleNeeds.openedAt(Opened.MASTER_PORTS);
            case OUTLET_PLUG -> VehicleNeeds.openedAt(Opened.MODULATOR_OUTLETS);
            default -> new VehicleNeeds(false, true, false, Opened.LINE);
        };
    }
}
