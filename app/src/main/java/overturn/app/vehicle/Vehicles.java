package overturn.app.vehicle;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** The vehicles that the workshop knows. Records are added, never changed. */
public interface Vehicles {

    /** Adds a vehicle; does nothing if its id is there. */
    void add(Vehicle vehicle);

    Optional<Vehicle> find(UUID id);

    /** Those whose name holds a text, in whatever letters; the latest known first. */
    List<Vehicle> search(String text, int most);

    /** What is known of one, in its order. */
    List<VehicleEntry> entries(UUID vehicleId);

    /** The entry of this id, on whichever vehicle. */
    Optional<VehicleEntry> entry(UUID entryId);

    /**
     * Puts an entry behind those that stand.
     *
     * @return false if its id or its place has been taken meanwhile
     */
    boolean append(UUID vehicleId, VehicleEntry entry);
}
