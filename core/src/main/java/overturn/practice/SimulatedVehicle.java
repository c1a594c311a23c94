package overturn.practice;

import java.util.List;
import java.util.random.RandomGenerator;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;

/** A vehicle of the simulator that forecasts are made with. */
record SimulatedVehicle(Simulator simulator, VehicleUnknowns vehicle, List<Fault> faults, VehicleCondition found)
        implements TestVehicle {

    @Override
    public double[] figures(Protocol protocol, boolean shown, RandomGenerator presses) {
        return simulator.prepare(protocol).figures(vehicle, shown ? faults : List.of(), found);
    }

    @Override
    public TestVehicle after(Protocol intake) {
        VehicleCondition left =
                simulator.run(intake, vehicle, faults, found).after().ready();
        return new SimulatedVehicle(simulator, vehicle, faults, left);
    }
}
