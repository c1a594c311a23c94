package overturn.app.vehicle;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** The vehicles that the workshop knows. Records are added, never changed. */
public interface Vehicles {

    /** Adds a vehicle; if its id is there nothing happens, but that an erased name is known again. */
    void add(Vehicle vehicle);

    /** Puts another name in the place of the one that a vehicle had. */
    void rename(UUID vehicleId, String name);

    Optional<Vehicle> find(UUID id);

    /** Those whose name holds a text, in whatever letters; the latest known first. */
    List<Vehicle> search(String text, int most);

    /** What is known of one, in its order. */
    default List<VehicleEntry> entries(UUID vehicleId) {
        return entries(List.of(vehicleId)).getOrDefault(vehicleId, List.of());
    }

    /** What is known of several, each in its order. */
    Map<UUID, List<VehicleEntry>> entries(List<UUID> vehicleIds);

    /**
     * Data sheet figures of other vehicles with the same circuit, the latest of each kind.
     *
     * @param vehicleId the vehicle whose sisters are asked
     */
    List<OfSister> sheetOfSisters(UUID vehicleId, String layoutId);

    /** A figure that stands in the data sheet of another vehicle. */
    record OfSister(String vehicleName, VehicleEntry.SheetFigure figure) {}

    /** The entry of this id, on whichever vehicle. */
    Optional<VehicleEntry> entry(UUID entryId);

    /**
     * Puts an entry behind those that stand.
     *
     * @return false if its id or its place has been taken meanwhile
     */
    boolean append(UUID vehicleId, VehicleEntry entry);
}
