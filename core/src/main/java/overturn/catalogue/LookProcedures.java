package overturn.catalogue;

import static overturn.procedure.ObservationTable.normalised;
import static overturn.procedure.ObservationTable.ramp;
import static overturn.procedure.ObservationTable.seen;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Component.MasterKind;
import overturn.circuit.End;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.protocol.Act.Sample;
import overturn.protocol.Sensed;

/**
 * Tests that yield an observation, fluid and master. Each table says how sure an eye is; the weights are estimates
 * argued beside them.
 */
final class LookProcedures {

    private final Layout layout;
    private final PressForces forces;

    LookProcedures(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
    }

    List<Procedure> all() {
        Characterise complaint = new Characterise(layout, forces);
        List<Procedure> all = new ArrayList<>(List.of(
                complaint.procedure(),
                complaint.alsoFelt(),
                complaint.driven(),
                reservoir(),
                dryWalk(),
                raisedWalk(),
                rearSeal(),
                fluidLook(),
                moisture(),
                masterStripped(),
                pivotFelt()));
        boolean clutch = layout.family().clutch();
        if (!clutch) {
            all.add(screws("front-screws", Sensed.FRONT_AIR_ML, "air-in-front-end"));
            if (layout.ends().stream().anyMatch(End::rear)) {
                all.add(screws("rear-screws", Sensed.REAR_AIR_ML, "air-in-rear-end"));
            }
        }
        if (layout.master().kind() == MasterKind.PORT_AND_CUP) {
            all.add(spout());
            all.add(holeProbed());
        }
        if (layout.master().tandem()) {
            all.add(portRouting());
        }
        if (layout.ends().stream().anyMatch(DrumEnd.class::isInstance)
                || layout.ends().stream().anyMatch(End.DiscEnd.class::isInstance)) {
            all.add(residualSpurt());
        }
        return all;
    }

    private static TestDraft look(String id, Sensed... quantities) {
        Sample[] samples = new Sample[quantities.length];
        for (int i = 0; i < quantities.length; i++) {
            samples[i] = new Sample(quantities[i]);
        }
        return TestDraft.sensing(id, samples);
    }

    /**
     * Worn linings lower a level too, and a topped-up reservoir clears nothing. Above the mark with a blocked vent is
     * its own fault.
     */
    private Procedure reservoir() {
        return look("reservoir", Sensed.OUTSIDE_LOSS_ML_PER_DAY, Sensed.HIDDEN_LOSS_ML_PER_DAY, Sensed.LEVEL_SHORT_ML)
                .sees(List.of("steady", "low-or-topped-up", "below-minimum", "over-full"), found -> {
                    double room = layout.reservoir().minToMaxMl();
                    double over = found[2] < -1.2 * room ? 0.93 : 0.01;
                    double below = found[2] > 0 ? 0.3 + 0.67 * ramp(found[2], 0, 0.15 * room) : 0.01;
                    double low = (0.10 + 0.85 * seen(found[0] + found[1], 1.5)) * (1 - Math.max(over, below));
                    return normalised(Math.max(0.01, 1 - low - over - below), low, below, over);
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(2)
                .observes("reservoir-shut", "fluid-low")
                .first()
                .steps(Step.of("bonnet"), Step.of("level").caution("fluid"));
    }

    /** From outside, on the wheels: inside drums and behind boots stay hidden, so dry clears little. */
    private Procedure dryWalk() {
        return look(
                        "dry-walk",
                        Sensed.OUTSIDE_LOSS_ML_PER_DAY,
                        Sensed.HIDDEN_LOSS_ML_PER_DAY,
                        Sensed.RESERVOIR_LOSS_ML_PER_DAY)
                .sees(List.of("all-dry", "damp", "wet", "wet-at-master-face", "wet-under-reservoir"), lost -> {
                    double elsewhere = lost[0] - lost[2];
                    double wet = 0.002 + 0.55 * seen(elsewhere, 4);
                    double damp = 0.05 + 0.25 * seen(elsewhere, 1);
                    double masterFace = 0.003 + 0.25 * seen(lost[1], 3);
                    double reservoir = 0.004 + 0.85 * seen(lost[2], 1);
                    return normalised(
                            Math.max(0.02, 1 - wet - damp - masterFace - reservoir), damp, wet, masterFace, reservoir);
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(5)
                .first()
                .observes(
                        "weeping-joint",
                        "end-seal-weeping",
                        "slave-seal-weeping",
                        "hose-weeping",
                        "connector-weeping",
                        "reservoir-weeping")
                .steps(Step.of("seat"), Step.of("bonnet"), Step.of("round"));
    }

    /** Boots peeled, after ten minutes under a propped pedal or lever: most of what leaks outward shows, and where. */
    private Procedure raisedWalk() {
        boolean inside = layout.all(Slave.class).stream().anyMatch(Slave::concentric);
        return look(
                        "raised-walk",
                        Sensed.END_LOSS_ML_PER_DAY,
                        Sensed.HOSE_LOSS_ML_PER_DAY,
                        Sensed.RESERVOIR_LOSS_ML_PER_DAY,
                        Sensed.OUTSIDE_LOSS_ML_PER_DAY)
                .sees(List.of("all-dry", "damp", "wet-at-end", "wet-at-hose", "wet-at-joint"), lost -> {
                    double end = 0.003 + (inside ? 0.15 : 0.95) * seen(lost[0], 0.3);
                    double hose = 0.002 + 0.93 * seen(lost[1], 0.3);
                    double joint = 0.003 + 0.95 * seen(lost[3] - lost[0] - lost[1] - lost[2], 0.3);
                    double most = Math.max(end, Math.max(hose, joint));
                    double damp = 0.04 * (1 - most);
                    return normalised(Math.max(0.005, 1 - most - damp), damp, end, hose, joint);
                })
                .needs(layout.family().lever() ? VehicleNeeds.SEAT : VehicleNeeds.WHEELS_OFF)
                .minutes(16)
                .observes(
                        "weeping-joint", "end-seal-weeping", "slave-seal-weeping", "hose-weeping", "connector-weeping")
                .steps(
                        Step.of("prop").caution("prop-slips").fits("pedal-prop").timed(600),
                        Step.of("boots").caution("lining-dust"),
                        Step.of("joints"));
    }

    /** A dry face clears nothing: the shell and the hose do, or the boot peeled where there is no assist. */
    private Procedure rearSeal() {
        boolean assisted = layout.assist().isPresent();
        TestDraft draft = look(assisted ? "assist-looked-into" : "master-boot-peeled", Sensed.HIDDEN_LOSS_ML_PER_DAY)
                .sees(List.of("dry", "film", "wet"), lost -> {
                    double pool = 0.002 + 0.9 * seen(lost[0], 0.6);
                    double film = 0.04 + 0.5 * (seen(lost[0], 0.05) - seen(lost[0], 0.6));
                    return normalised(1 - Math.min(0.99, pool + film), film, pool);
                })
                .observes("rear-seal-weeping");
        return assisted
                ? draft.needs(VehicleNeeds.BONNET).minutes(7).steps(Step.of("hose"), Step.of("lamp"))
                : draft.minutes(3).steps(Step.of("peel"), Step.of("paper"));
    }

    /** Swollen cap seals, layers and foam give a wrong fluid away; colour alone hardly tells age. */
    private Procedure fluidLook() {
        return look("fluid-look", Sensed.WRONG_FLUID, Sensed.WATER_PERCENT)
                .sees(List.of("clear", "dark", "layers-or-swollen-cap"), fluid -> {
                    double wrong = fluid[0] > 0 ? 0.9 : 0.008;
                    double dark = 0.25 + 0.4 * ramp(fluid[1], 2, 5);
                    return normalised((1 - wrong) * (1 - dark), (1 - wrong) * dark, wrong);
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(2)
                .observes("fluid-wrong")
                .steps(Step.of("cap").caution("fluid"), Step.of("drop"));
    }

    private Procedure moisture() {
        return look("moisture-tester", Sensed.WATER_PERCENT)
                .reads(Figures.water("water"))
                .needs(VehicleNeeds.BONNET)
                .minutes(2)
                .rig(RigKind.FLUID_TESTER)
                .observes("fluid-aged")
                .steps(Step.of("dip").caution("fluid").reads("water"));
    }

    /** Air in an end spits at its screw; a bubble stuck away from the screw may not. */
    private Procedure screws(String id, Sensed air, String suspect) {
        double half = layout.family().lever() ? 0.12 : 0.35;
        return look(id, air)
                .sees(List.of("clear", "few-bubbles", "spits-air"), found -> {
                    double spit = 0.01 + 0.8 * seen(found[0], half);
                    double few = 0.06 + 0.1 * seen(found[0], 0.4 * half);
                    return normalised(1 - Math.min(0.97, spit + few), few, spit);
                })
                .needs(layout.family().lever() ? VehicleNeeds.SEAT : VehicleNeeds.RAISED)
                .minutes(8)
                .rig(RigKind.BLEED_HOSE)
                .observes(suspect)
                .steps(
                        Step.of("hose-on").caution("screw"),
                        Step.of("press").withHelperOrAlone(),
                        Step.of("crack").caution("pressure"),
                        Step.of("close"));
    }

    /** The little fountain at first movement proves the hole open; whatever covers it takes it away. */
    private Procedure spout() {
        return look("spout", Sensed.HOLE_OPEN)
                .sees(List.of("spurts", "weak", "none"), hole -> {
                    double spurts = 0.03 + 0.9 * ramp(hole[0], 0.2, 0.9);
                    double none = 0.05 + 0.85 * ramp(-hole[0], -0.3, -0.02);
                    return normalised(spurts, 0.12, none);
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(3)
                .steps(Step.of("cap").caution("face-shield"), Step.of("press").withHelperOrAlone());
    }

    private Procedure holeProbed() {
        return look("hole-probed", Sensed.HOLE_CLEAN)
                .sees(List.of("open", "blocked"), hole -> {
                    double blocked = 0.02 + 0.95 * ramp(-hole[0], -0.6, -0.25);
                    return new double[] {1 - blocked, blocked};
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(layout.family().lever() ? 8 : 14)
                .observes("hole-clogged")
                .steps(Step.of("draw-off").caution("fluid"), Step.of("probe"), Step.of("refill"));
    }

    private Procedure portRouting() {
        return look("port-routing", Sensed.PORTS_CROSSED)
                .sees(
                        List.of("as-listed", "crossed"),
                        crossed -> crossed[0] == 0 ? new double[] {0.993, 0.007} : new double[] {0.015, 0.985})
                .needs(VehicleNeeds.BONNET)
                .minutes(4)
                .observes("ports-crossed")
                .steps(Step.of("trace"), Step.of("compare"));
    }

    /** A short spurt after release at a screw is a residual valve at work; none means none. */
    private Procedure residualSpurt() {
        return look("residual-spurt", Sensed.RESIDUAL_VALVE_BAR)
                .sees(List.of("no-spurt", "short-spurt"), valve -> {
                    double spurt = 0.04 + 0.9 * ramp(valve[0], 0.1, 0.6);
                    return new double[] {1 - spurt, spurt};
                })
                .needs(VehicleNeeds.RAISED)
                .minutes(5)
                .rig(RigKind.BLEED_HOSE)
                .observes("residual-valve-unwanted", "residual-valve-missing")
                .steps(Step.of("press"), Step.of("crack").caution("screw"));
    }

    /** The dearest look: the master out and apart. What is worn is in the hand. */
    private Procedure masterStripped() {
        return TestDraft.sensing(
                        "master-stripped",
                        new Sample(Sensed.LIP_WEAR),
                        new Sample(Sensed.BORE_PITTED),
                        new Sample(Sensed.PISTON_STICKS_N),
                        new Sample(Sensed.BORE_MM))
                .sees(
                        List.of("sound", "lip-worn", "bore-pitted", "piston-sticks", "bore-larger", "bore-smaller"),
                        found -> {
                            double nominal = layout.master().boreMm();
                            double lip = 0.03 + 0.93 * seen(found[0], 0.15);
                            double pitted = 0.03 + 0.93 * seen(found[1], 0.15);
                            double sticks = 0.01
                                    + 0.93
                                            * seen(
                                                    found[2],
                                                    0.15 * layout.master().springsN());
                            double larger = 0.002 + 0.99 * ramp(found[3] / nominal, 1.01, 1.03);
                            double smaller = 0.002 + 0.99 * ramp(-found[3] / nominal, -0.99, -0.97);
                            double most = Math.max(Math.max(lip, pitted), Math.max(sticks, Math.max(larger, smaller)));
                            return normalised(Math.max(0.02, 1 - most), lip, pitted, sticks, larger, smaller);
                        })
                .needs(VehicleNeeds.openedAt(Opened.MASTER_PORTS))
                .minutes(layout.family().lever() ? 25 : 60)
                .observes(
                        "primary-piston-cup",
                        "second-piston-rear-cup",
                        "second-piston-front-cup",
                        "bore-pitted",
                        "master-piston-sticking",
                        "bore-too-large",
                        "bore-too-small")
                .steps(Step.of("out").caution("open-circuit").fits("master-out"), Step.of("apart"), Step.of("measure"));
    }

    /** The rod unhooked, the pedal or lever alone: it must fall back by itself. */
    private Procedure pivotFelt() {
        return look("pivot-felt", Sensed.INPUT_BINDS_SECONDS)
                .sees(List.of("free", "binds"), binds -> {
                    double share = 0.02 + 0.95 * ramp(binds[0], 0.05, 0.3);
                    return new double[] {1 - share, share};
                })
                .minutes(5)
                .observes("input-binding", "lever-bent")
                .steps(Step.of("unhook").fits("rod-unhooked"), Step.of("swing"));
    }
}
