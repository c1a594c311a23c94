package overturn.simulation;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pipe;
import overturn.circuit.CutSet;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;

/** What each chamber still presses on under one cut set; found once by graph search and shared by all runs. */
final class Section {

    /** Air drawn in where a joint was opened or plugged and made again, mL; estimate. */
    static final double AIR_PER_JOINT_ML = 0.4;

    final CutSet cuts;
    final boolean[][] reached;
    final int[][] ends;
    final int[][] hoses;
    /** Fluid in pipes and modulator, mL. */
    final double[] fluidMl;
    /** Chambers that a cracked joint keeps from holding pressure. */
    final boolean[] open;
    /** Per end: whether a joint at or behind its own hose is cracked, so that even a flap lets go. */
    final boolean[] endOpen;
    /** Parts at which air stays when plugs and cracked joints are made again, per chamber. */
    final int[][] airAfterwards;

    final boolean supplyVented;
    final boolean masterLoose;
    final boolean fuseOut;
    final boolean pedalLifted;
    final boolean shoesSet;
    final boolean rodTurnedBack;
    final boolean hosePinched;

    Section(Plant plant, CutSet cuts) {
        this.cuts = cuts;
        int chambers = Chamber.values().length;
        this.reached = new boolean[chambers][plant.parts.length];
        this.ends = new int[chambers][];
        this.hoses = new int[chambers][];
        this.fluidMl = new double[chambers];
        this.open = new boolean[chambers];
        this.endOpen = new boolean[plant.ends.length];
        this.airAfterwards = new int[chambers][];
        for (Chamber chamber : Chamber.values()) {
            fill(plant, chamber);
        }
        for (int e = 0; e < plant.ends.length; e++) {
            String end = plant.ends[e].id();
            endOpen[e] = cuts.opened().stream().map(plant.layout::joint).anyMatch(j -> j.to().equals(end));
        }
        this.supplyVented = cuts.isolations().contains(Isolation.SUPPLY_VENTED);
        this.masterLoose = cuts.isolations().contains(Isolation.MASTER_LOOSE);
        this.fuseOut = cuts.isolations().contains(Isolation.FUSE_OUT);
        this.hosePinched = cuts.isolations().contains(Isolation.HOSE_PINCHED);
        this.rodTurnedBack = cuts.isolations().contains(Isolation.ROD_TURNED_BACK);
        this.shoesSet = cuts.isolations().contains(Isolation.SHOES_SET);
        this.pedalLifted = cuts.isolations().contains(Isolation.PEDAL_LIFTED);
    }

    private void fill(Plant plant, Chamber chamber) {
        int c = chamber.ordinal();
        Set<String> connected = plant.layout.connected(chamber, cuts);
        List<Integer> foundHoses = new ArrayList<>();
        for (int i = 0; i < plant.parts.length; i++) {
            Component part = plant.parts[i];
            reached[c][i] = connected.contains(part.id());
            if (reached[c][i] && part instanceof Hose) {
                foundHoses.add(i);
            } else if (reached[c][i] && part instanceof Pipe pipe) {
                fluidMl[c] += pipe.fluidMl();
            } else if (reached[c][i] && part instanceof Modulator modulator) {
                fluidMl[c] += modulator.fluidMl();
            }
        }
        hoses[c] = foundHoses.stream().mapToInt(Integer::intValue).toArray();
        ends[c] = IntStream.range(0, plant.ends.length)
                .filter(e -> reached[c][plant.endPart[e]])
                .toArray();
        List<Joint> cracked = cuts.opened().stream()
                .map(plant.layout::joint)
                .filter(j -> j.chamber() == chamber)
                .toList();
        open[c] = cracked.stream().anyMatch(j -> connected.contains(j.from()));
        airAfterwards[c] = plant.layout.joints().stream()
                .filter(j -> j.chamber() == chamber)
                .filter(j ->
                        cuts.opened().contains(j.id()) || cuts.closed().contains(j.id()) && !plant.layout.canClamp(j))
                .mapToInt(j -> plant.number(j.from()))
                .toArray();
    }

    /** Whether the axle of an end has been bled. */
    boolean bled(boolean rear) {
        return cuts.isolations().contains(rear ? Isolation.REAR_BLED : Isolation.FRONT_BLED);
    }

    /** Whether a chamber presses on a part. */
    boolean reaches(int chamber, int part) {
        return reached[chamber][part];
    }
}
