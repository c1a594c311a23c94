package overturn.app.api.vehicle;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.usecase.vehicle.VehicleRecords.Known;
import overturn.app.vehicle.VehicleEntry;
import overturn.app.vehicle.VehicleEntry.DistanceRead;
import overturn.app.vehicle.VehicleEntry.FigureMeasured;
import overturn.app.vehicle.VehicleEntry.NotUnderstood;
import overturn.app.vehicle.VehicleEntry.Remark;
import overturn.app.vehicle.VehicleEntry.SheetFigure;
import overturn.app.vehicle.Vehicles;

/** A vehicle, what is known of it, the last distance read, and its jobs, the newest first. */
public record VehicleView(
        UUID id,
        String name,
        String layoutId,
        Instant knownSince,
        Optional<Double> distanceKm,
        List<FactView> facts,
        List<SheetFigureView> sheet,
        List<SheetFigureView> offered,
        List<JobOfVehicle> jobs) {

    static VehicleView of(Known known) {
        return new VehicleView(
                known.vehicle().id(),
                known.vehicle().name(),
                known.vehicle().layoutId(),
                known.vehicle().knownSince(),
                known.distance().map(DistanceRead::km),
                known.entries().stream().map(FactView::of).toList(),
                known.sheet().stream().map(SheetFigureView::of).toList(),
                known.ofSisters().stream().map(SheetFigureView::of).toList(),
                known.jobs().stream()
                        .map(job -> new JobOfVehicle(
                                job.jobId(), job.complaint(), job.stage().id(), job.openedAt()))
                        .toList());
    }

    /**
     * A figure of the maker's data sheet, where it was read, and whose vehicle's it is where it is a sister's.
     *
     * @param what stable id, the word {@code sheet.<id>}
     */
    public record SheetFigureView(String what, String text, String source, Optional<String> ofVehicle) {

        static SheetFigureView of(VehicleEntry entry) {
            SheetFigure figure = (SheetFigure) entry.fact();
            return new SheetFigureView(figure.what(), figure.text(), figure.source(), Optional.empty());
        }

        static SheetFigureView of(Vehicles.OfSister sister) {
            return new SheetFigureView(
                    sister.figure().what(),
                    sister.figure().text(),
                    sister.figure().source(),
                    Optional.of(sister.vehicleName()));
        }
    }

    /** A job of the vehicle. */
    public record JobOfVehicle(UUID id, String complaint, String stage, Instant openedAt) {}

    /**
     * A fact as it was entered: {@code kind} is distance, figure, sheet, remark or not-understood; figures keep text
     * and unit as typed.
     */
    public record FactView(
            UUID id,
            Instant at,
            String personId,
            String kind,
            Optional<String> what,
            String text,
            Optional<String> unit,
            Optional<String> source) {

        public static FactView of(VehicleEntry entry) {
            if (entry.fact() instanceof DistanceRead read) {
                return of(entry, "distance", Optional.empty(), read.text(), Optional.of(read.unit()));
            } else if (entry.fact() instanceof FigureMeasured figure) {
                return of(entry, "figure", Optional.of(figure.what()), figure.text(), Optional.of(figure.unit()));
            } else if (entry.fact() instanceof SheetFigure figure) {
                return new FactView(
                        entry.id(),
                        entry.at(),
                        entry.personId(),
                        "sheet",
                        Optional.of(figure.what()),
                        figure.text(),
                        Optional.empty(),
                        Optional.of(figure.source()));
            } else if (entry.fact() instanceof Remark remark) {
                return of(entry, "remark", Optional.empty(), remark.text(), Optional.empty());
            }
            String kind = ((NotUnderstood) entry.fact()).kind();
            return of(entry, "not-understood", Optional.of(kind), "", Optional.empty());
        }

        private static FactView of(
                VehicleEntry entry, String kind, Optional<String> what, String text, Optional<String> unit) {
            return new FactView(entry.id(), entry.at(), entry.personId(), kind, what, text, unit, Optional.empty());
        }
    }
}
