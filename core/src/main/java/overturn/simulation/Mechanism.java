package overturn.simulation;

import java.util.List;
import overturn.suspect.Fault;

/** The parts of one vehicle as they are, its faults in them; what is done with them is elsewhere. */
record Mechanism(
        Plant plant,
        VehicleUnknowns vehicle,
        Deviations deviations,
        AssistState assist,
        RodPlay play,
        Holes holes,
        ForceBalance forces) {

    static Mechanism of(Plant plant, VehicleUnknowns vehicle, List<Fault> faults, double reserveShare) {
        Deviations deviations = Deviations.of(plant, faults);
        AssistState assist = new AssistState(plant, vehicle, deviations, reserveShare);
        RodPlay play = new RodPlay(plant, vehicle, deviations);
        ForceBalance forces = new ForceBalance(plant, vehicle, deviations, assist);
        Holes holes = new Holes(deviations, play, assist, forces, vehicle);
        return new Mechanism(plant, vehicle, deviations, assist, play, holes, forces);
    }
}
