package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.Entry.DataErased;
import overturn.app.vehicle.Vehicle;
import overturn.app.vehicle.VehicleEntry;
import overturn.app.vehicle.VehicleEntry.DistanceRead;
import overturn.app.vehicle.VehicleEntry.Fact;
import overturn.app.vehicle.VehicleEntry.FigureMeasured;
import overturn.app.vehicle.VehicleEntry.NotUnderstood;
import overturn.app.vehicle.VehicleEntry.Remark;
import overturn.app.vehicle.VehicleEntry.SheetFigure;
import overturn.app.vehicle.Vehicles;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Vehicles in PostgreSQL. */
@Repository
class PostgresVehicles implements Vehicles {

    private static final int BODY_VERSION = 1;
    private static final Map<String, Class<? extends Fact>> KINDS = Map.of(
            "distance-read", DistanceRead.class,
            "figure-measured", FigureMeasured.class,
            "sheet-figure", SheetFigure.class,
            "remark", Remark.class);

    private static final String COLUMNS = "id, known_since, name, layout_id";
    private static final String ENTRY_COLUMNS =
            "id, vehicle_id, sequence, log_entered_at, person_id, kind, body_version, body";

    private final JdbcClient jdbc;
    private final JsonMapper mapper = JsonMapper.builder().build();

    PostgresVehicles(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void rename(UUID vehicleId, String name) {
        jdbc.sql("update vehicle set name = :name where id = :id")
                .param("name", name)
                .param("id", vehicleId)
                .update();
    }

    @Override
    public void add(Vehicle vehicle) {
        jdbc.sql("""
                        insert into vehicle (id, known_since, name, layout_id) values (:id, :since, :name, :layout)
                        on conflict (id) do update set name = excluded.name where vehicle.name = :erased
                        """)
                .param("erased", DataErased.INSTEAD)
                .param("id", vehicle.id())
                .param("since", vehicle.knownSince().atOffset(ZoneOffset.UTC))
                .param("name", vehicle.name())
                .param("layout", vehicle.layoutId())
                .update();
    }

    @Override
    public Optional<Vehicle> find(UUID id) {
        return jdbc.sql("select " + COLUMNS + " from vehicle where id = :id")
                .param("id", id)
                .query((row, n) -> vehicle(row))
                .optional();
    }

    @Override
    public List<Vehicle> search(String text, int most) {
        return jdbc.sql("select " + COLUMNS + """
                         from vehicle where search_text like :text
                         order by known_since desc, id limit :most
                        """)
                .param("text", LikePattern.holding(text))
                .param("most", most)
                .query((row, n) -> vehicle(row))
                .list();
    }

    @Override
    public Map<UUID, List<VehicleEntry>> entries(List<UUID> vehicleIds) {
        Map<UUID, List<VehicleEntry>> all = new HashMap<>();
        jdbc.sql("select " + ENTRY_COLUMNS
                        + " from vehicle_entry where vehicle_id = any(:vehicles) order by vehicle_id, sequence")
                .param("vehicles", vehicleIds.toArray(UUID[]::new))
                .query(row -> {
                    all.computeIfAbsent(row.getObject("vehicle_id", UUID.class), id -> new ArrayList<>())
                            .add(entry(row));
                });
        return all;
    }

    @Override
    public List<OfSister> sheetOfSisters(UUID vehicleId, String layoutId) {
        return jdbc.sql("""
                        select distinct on (e.body ->> 'what') v.name, e.body
                          from vehicle_entry e join vehicle v on v.id = e.vehicle_id
                         where e.kind = 'sheet-figure' and e.body_version <= :version
                           and v.layout_id = :layout and v.id <> :vehicle
                         order by e.body ->> 'what', e.log_entered_at desc, e.id
                        """)
                .param("version", BODY_VERSION)
                .param("layout", layoutId)
                .param("vehicle", vehicleId)
                .query((row, n) ->
                        new OfSister(row.getString("name"), mapper.readValue(row.getString("body"), SheetFigure.class)))
                .list();
    }

    @Override
    public Optional<VehicleEntry> entry(UUID entryId) {
        return jdbc.sql("select " + ENTRY_COLUMNS + " from vehicle_entry where id = :id")
                .param("id", entryId)
                .query((row, n) -> entry(row))
                .optional();
    }

    @Override
    public boolean append(UUID vehicleId, VehicleEntry entry) {
        String kind = KINDS.entrySet().stream()
                .filter(k -> k.getValue() == entry.fact().getClass())
                .findFirst()
                .orElseThrow()
                .getKey();
        return jdbc.sql("""
                        insert into vehicle_entry (id, vehicle_id, sequence, log_entered_at, person_id, kind, body_version, body)
                        values (:id, :vehicle, :sequence, :at, :person, :kind, :version, :body::jsonb)
                        on conflict do nothing
                        """)
                        .param("id", entry.id())
                        .param("vehicle", vehicleId)
                        .param("sequence", entry.sequence())
                        .param("at", entry.at().atOffset(ZoneOffset.UTC))
                        .param("person", entry.personId())
                        .param("kind", kind)
                        .param("version", BODY_VERSION)
                        .param("body", mapper.writeValueAsString(entry.fact()))
                        .update()
                == 1;
    }

    private static Vehicle vehicle(ResultSet row) throws SQLException {
        return new Vehicle(
                row.getObject("id", UUID.class),
                row.getObject("known_since", OffsetDateTime.class).toInstant(),
                row.getString("name"),
                row.getString("layout_id"));
    }

    private VehicleEntry entry(ResultSet row) throws SQLException {
        return new VehicleEntry(
                row.getObject("id", UUID.class),
                row.getInt("sequence"),
                row.getObject("log_entered_at", OffsetDateTime.class).toInstant(),
                row.getString("person_id"),
                fact(row.getString("kind"), row.getInt("body_version"), row.getString("body")));
    }

    private Fact fact(String kind, int version, String body) {
        if (version > BODY_VERSION || !KINDS.containsKey(kind)) {
            return new NotUnderstood(kind);
        }
        try {
            return mapper.readValue(body, KINDS.get(kind));
        } catch (JacksonException e) {
            return new NotUnderstood(kind);
        }
    }
}
