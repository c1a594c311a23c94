package overturn.app.usecase.vehicle;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;
import overturn.app.people.Actor;
import overturn.app.usecase.Checks;
import overturn.app.usecase.EntryIdTakenException;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.app.vehicle.Vehicle;
import overturn.app.vehicle.VehicleEntry;
import overturn.app.vehicle.VehicleEntry.DistanceRead;
import overturn.app.vehicle.VehicleEntry.Fact;
import overturn.app.vehicle.VehicleEntry.FigureMeasured;
import overturn.app.vehicle.VehicleEntry.Remark;
import overturn.app.vehicle.VehicleEntry.SheetFigure;
import overturn.app.vehicle.Vehicles;
import overturn.quantity.Dimension;
import overturn.quantity.MeasureUnit;
import overturn.quantity.QuantityFormatException;
import overturn.quantity.QuantityParser;
import overturn.quantity.TypedQuantity;
import overturn.words.Words;

/** What the workshop knows of its vehicles, and what is added to it. */
@Component
public class VehicleRecords {

    private static final int MOST_FOUND = 20;
    private static final int MOST_TEXT = 400;
    private static final int MOST_WHAT = 60;
    private static final int MOST_SEARCH = 80;
    private static final int MOST_ATTEMPTS = 20;
    /** Further than any vehicle has gone. */
    private static final double MOST_KM = 5_000_000;

    private static final double MOST_FIGURE = 1e7;

    /** Kinds of facts that can be entered. */
    public static final Set<String> KINDS = Set.of("distance", "figure", "sheet", "remark");

    private static final int MOST_SOURCE = 120;
    private static final String SHEET_WORDS = "sheet.";
    /** Every figure that a work plan may ask of the maker's data sheet. */
    private static final List<String> SHEET = Words.all().keySet().stream()
            .filter(word -> word.startsWith(SHEET_WORDS))
            .map(word -> word.substring(SHEET_WORDS.length()))
            .toList();

    private final Vehicles vehicles;
    private final JobSummaries summaries;
    private final Clock clock;

    VehicleRecords(Vehicles vehicles, JobSummaries summaries, Clock clock) {
        this.vehicles = vehicles;
        this.summaries = summaries;
        this.clock = clock;
    }

    /** A vehicle with all that is known of it and its jobs, the newest first. */
    public record Known(
            Vehicle vehicle, List<VehicleEntry> entries, List<Vehicles.OfSister> ofSisters, List<JobSummary> jobs) {

        /** The data sheet as far as it is filled: the latest of each figure. */
        public List<VehicleEntry> sheet() {
            Map<String, VehicleEntry> latest = new TreeMap<>();
            entries.forEach(entry -> {
                if (entry.fact() instanceof SheetFigure figure) {
                    latest.put(figure.what(), entry);
                }
            });
            return List.copyOf(latest.values());
        }

        /** The last distance that somebody read. */
        public Optional<DistanceRead> distance() {
            return entries.stream()
                    .map(VehicleEntry::fact)
                    .filter(DistanceRead.class::isInstance)
                    .map(DistanceRead.class::cast)
                    .reduce((before, last) -> last);
        }
    }

    /**
     * A fact as sent, unchecked: {@code kind} is distance, figure, sheet or remark; {@code unit} of the first two,
     * {@code what} of figure and sheet, {@code source} of sheet; {@code actor} is null of one that a file brings.
     */
    public record Draft(
            UUID entryId,
            @Nullable Actor actor,
            String kind,
            @Nullable String what,
            String text,
            @Nullable String unit,
            @Nullable String source) {}

    /** Those whose name holds a text; the latest known first, 20 at most. */
    public List<Known> search(String text) {
        String sought = text == null ? "" : text.strip();
        new Checks()
                .that(() -> sought.length() <= MOST_SEARCH, "search", sought, "up to " + MOST_SEARCH + " characters")
                .orThrow();
        List<Vehicle> found = vehicles.search(sought, MOST_FOUND);
        List<UUID> ids = found.stream().map(Vehicle::id).toList();
        Map<UUID, List<VehicleEntry>> entries = vehicles.entries(ids);
        Map<UUID, List<JobSummary>> jobs =
                summaries.ofVehicles(ids).stream().collect(Collectors.groupingBy(JobSummary::vehicleId));
        return found.stream()
                .map(v -> new Known(
                        v, entries.getOrDefault(v.id(), List.of()), List.of(), jobs.getOrDefault(v.id(), List.of())))
                .toList();
    }

    /** @throws NotFoundException if there is no such vehicle */
    public Known find(UUID vehicleId) {
        return known(
                vehicles.find(vehicleId).orElseThrow(() -> new NotFoundException("vehicle", vehicleId.toString())));
    }

    private Known known(Vehicle vehicle) {
        return new Known(
                vehicle,
                vehicles.entries(vehicle.id()),
                vehicles.sheetOfSisters(vehicle.id(), vehicle.layoutId()),
                summaries.ofVehicle(vehicle.id()));
    }

    /**
     * Adds a fact behind those that stand; the same entry sent twice stands once.
     *
     * @throws InvalidInputException naming everything that cannot be taken
     * @throws EntryIdTakenException if the id is in use for something else
     */
    public Known add(UUID vehicleId, Draft draft) {
        find(vehicleId);
        Checks checks = new Checks()
                .that(() -> draft.entryId() != null, "entryId", draft.entryId(), "a UUID made by the client");
        Optional<Fact> fact = fact(draft, checks);
        checks.orThrow();
        for (int attempt = 1; attempt <= MOST_ATTEMPTS; attempt++) {
            Optional<VehicleEntry> standing = vehicles.entry(draft.entryId());
            if (standing.isPresent()) {
                if (!standing.get().fact().equals(fact.orElseThrow())
                        || vehicles.entries(vehicleId).stream().noneMatch(e -> e.id().equals(draft.entryId()))) {
                    throw new EntryIdTakenException(draft.entryId());
                }
                return find(vehicleId);
            }
            int last = vehicles.entries(vehicleId).size();
            VehicleEntry entry = new VehicleEntry(
                    draft.entryId(),
                    last + 1,
                    clock.instant().truncatedTo(ChronoUnit.SECONDS),
                    Objects.requireNonNull(draft.actor()).personId(),
                    fact.orElseThrow());
            if (vehicles.append(vehicleId, entry)) {
                return find(vehicleId);
            }
        }
        throw new IllegalStateException("No place for an entry of vehicle " + vehicleId);
    }

    private static String given(@Nullable String text) {
        return Objects.requireNonNullElse(text, "");
    }

    /** A fact as it is kept; what cannot be taken is added to the checks. */
    public static Optional<Fact> fact(Draft draft, Checks checks) {
        String kind = draft.kind() == null ? "" : draft.kind();
        switch (kind) {
            case "distance" -> {
                return quantity(draft, checks, MeasureUnit.KILOMETRE, Dimension.DISTANCE, 0, MOST_KM)
                        .map(q -> new DistanceRead(q.text(), q.unit().symbol(), q.coreValue()));
            }
            case "figure" -> {
                checks.text("what", draft.what(), MOST_WHAT);
                Optional<MeasureUnit> unit = Optional.ofNullable(draft.unit()).flatMap(MeasureUnit::ofSymbol);
                if (unit.isEmpty()) {
                    checks.add("unit", draft.unit(), "the symbol of a unit, for example mm");
                    return Optional.empty();
                }
                return quantity(draft, checks, unit.get(), unit.get().dimension(), -MOST_FIGURE, MOST_FIGURE)
                        .map(q -> new FigureMeasured(
                                given(draft.what()), q.text(), q.unit().symbol(), q.coreValue()));
            }
            case "sheet" -> {
                checks.that(
                                () -> draft.what() != null && SHEET.contains(draft.what()),
                                "what",
                                draft.what(),
                                "one of " + SHEET)
                        .text("text", draft.text(), MOST_WHAT)
                        .text("source", draft.source(), MOST_SOURCE);
                return Optional.of(new SheetFigure(given(draft.what()), draft.text(), given(draft.source())));
            }
            case "remark" -> {
                checks.text("text", draft.text(), MOST_TEXT);
                return Optional.of(new Remark(draft.text()));
            }
            default -> {
                checks.add("kind", draft.kind(), "distance, figure, sheet or remark");
                return Optional.empty();
            }
        }
    }

    private static Optional<TypedQuantity> quantity(
            Draft draft, Checks checks, MeasureUnit plain, Dimension dimension, double least, double most) {
        MeasureUnit unit = Optional.ofNullable(draft.unit())
                .flatMap(MeasureUnit::ofSymbol)
                .filter(u -> u.dimension() == dimension)
                .orElse(plain);
        String allowed = Checks.range(least, most, dimension.coreUnit().symbol());
        try {
            TypedQuantity typed = QuantityParser.parse(draft.text() == null ? "" : draft.text(), unit);
            if (typed.coreValue() >= least && typed.coreValue() <= most) {
                return Optional.of(typed);
            }
        } catch (QuantityFormatException e) {
            // Told below with what is allowed.
        }
        checks.add("text", draft.text(), allowed);
        return Optional.empty();
    }
}
