package overturn.app.usecase.instrument;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.instrument.InstrumentLines;
import overturn.app.instrument.InstrumentLines.Line;
import overturn.app.instrument.Instruments;
import overturn.app.instrument.Instruments.Announced;
import overturn.app.instrument.Instruments.Registered;
import overturn.app.job.Entry.ReadingTaken.StoredCode;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.instrument.InstrumentKind;

/** Instruments are chosen by name; where they are, they say themselves. */
@Component
public class UseInstruments {

    /** One that has said nothing for so long is not there. */
    private static final Duration THERE = Duration.ofSeconds(90);

    private static final int MOST_ANNOUNCED = 50;
    private static final int MOST_TEXT = 60;
    /** So long an instrument is read at rest when it is registered, s; chosen. */
    private static final double AT_REST_SECONDS = 1.5;

    private static final int LEAST_LINES = 5;
    private static final Duration MOST_READING = Duration.ofSeconds(8);

    private final Instruments instruments;
    private final InstrumentLines lines;
    private final Clock clock;

    UseInstruments(Instruments instruments, InstrumentLines lines, Clock clock) {
        this.instruments = instruments;
        this.lines = lines;
        this.clock = clock;
    }

    /**
     * An instrument says that it is there.
     *
     * @param host from which it says so; nothing else is ever asked
     * @throws InvalidInputException naming every field that cannot be taken
     */
    public void announce(String serial, String kind, Integer port, String host) {
        Instant now = clock.instant();
        List<Announced> there = instruments.announced(now.minus(THERE));
        new Checks()
                .text("serial", serial, MOST_TEXT)
                .that(() -> kind != null && InstrumentKind.find(kind).isPresent(), "kind", kind, "one of " + KINDS)
                .that(() -> port != null && port >= 1 && port <= 65_535, "port", port, "1 to 65535")
                .that(
                        () -> there.size() < MOST_ANNOUNCED
                                || there.stream().anyMatch(one -> one.serial().equals(serial)),
                        "serial",
                        "one more",
                        "at most " + MOST_ANNOUNCED + " instruments at once")
                .orThrow();
        instruments.announce(
                new Announced(serial.strip(), InstrumentKind.find(kind).orElseThrow(), host, port, now));
    }

    private static final List<String> KINDS =
            Arrays.stream(InstrumentKind.values()).map(InstrumentKind::id).toList();

    /** Those that are there and not registered. */
    public List<Announced> announced() {
        List<String> known =
                instruments.registered().stream().map(Registered::serial).toList();
        return there().stream().filter(one -> !known.contains(one.serial())).toList();
    }

    private List<Announced> there() {
        return instruments.announced(clock.instant().minus(THERE));
    }

    /** One of the workshop, and whether it is there now. */
    public record Known(Registered instrument, boolean there) {}

    public List<Known> registered() {
        List<String> there = there().stream().map(Announced::serial).toList();
        return instruments.registered().stream()
                .map(one -> new Known(one, there.contains(one.serial())))
                .toList();
    }

    /**
     * Registers one that is there: it is read at rest for a moment, and what it shows then is subtracted from then on.
     *
     * @throws InvalidInputException if it is not there, cannot be read, or is not at rest
     */
    public List<Known> register(Actor actor, UUID id, String serial, String name) {
        actor.require(Act.REGISTER_INSTRUMENT);
        Optional<Announced> found =
                there().stream().filter(one -> one.serial().equals(serial)).findFirst();
        new Checks()
                .that(() -> id != null, "id", id, "a UUID made by the client")
                .text("name", name, MOST_TEXT)
                .that(found::isPresent, "serial", serial, "an instrument that says that it is there")
                .that(
                        () -> instruments.registered().stream()
                                .noneMatch(one -> !one.id().equals(id)
                                        && (one.serial().equals(serial)
                                                || one.name().equalsIgnoreCase(name == null ? "" : name.strip()))),
                        "name",
                        name,
                        "a name and an instrument that is not registered yet")
                .orThrow();
        double atRest = found.get().kind().dimension().isPresent() ? atRest(found.get()) : withoutCodes(found.get());
        instruments.register(
                new Registered(id, serial, found.get().kind(), name.strip(), atRest, clock.instant()),
                actor.personId());
        return registered();
    }

    public List<Known> retire(Actor actor, UUID id) {
        actor.require(Act.REGISTER_INSTRUMENT);
        instruments.find(id).orElseThrow(() -> new NotFoundException("instrument", id.toString()));
        instruments.retire(id, actor.personId(), clock.instant());
        return registered();
    }

    /** The check of a code reader: plugged in nowhere it says that it is there, and finds no code. */
    private double withoutCodes(Announced reader) {
        List<Line> read = new ArrayList<>();
        Instant end = clock.instant().plus(MOST_READING);
        hear(reader, line -> {
            read.add(line);
            return clock.instant().isBefore(end) && read.size() < LEAST_LINES;
        });
        if (read.stream().noneMatch(line -> line.codes().isPresent())) {
            throw Checks.refusal("serial", reader.serial(), "one that shows codes");
        }
        List<StoredCode> codes = read.stream()
                .flatMap(line -> line.codes().stream())
                .flatMap(List::stream)
                .toList();
        if (!codes.isEmpty()) {
            throw Checks.refusal(
                    "serial",
                    reader.serial() + " shows " + codes.get(0).number(),
                    "a code reader at rest: plugged in nowhere, and no code shown");
        }
        return 0;
    }

    private void hear(Announced instrument, InstrumentLines.Taker taker) {
        try {
            lines.read(instrument, taker);
        } catch (IOException e) {
            throw Checks.refusal("serial", instrument.serial(), "one that can be read: " + e.getMessage());
        }
    }

    /** The zero check: what it shows while nothing is measured, which must stand still and be near nothing. */
    private double atRest(Announced instrument) {
        List<Double> values = new ArrayList<>();
        double[] from = {Double.NaN};
        Instant end = clock.instant().plus(MOST_READING);
        hear(instrument, line -> {
            from[0] = Double.isNaN(from[0]) ? line.seconds() : from[0];
            line.value().ifPresent(values::add);
            return clock.instant().isBefore(end)
                    && (line.seconds() - from[0] < AT_REST_SECONDS || values.size() < LEAST_LINES);
        });
        if (values.size() < LEAST_LINES) {
            throw Checks.refusal("serial", instrument.serial(), "one that shows something");
        }
        values.sort(null);
        double median = values.get(values.size() / 2);
        double spread = values.get(values.size() - 1) - values.get(0);
        InstrumentKind kind = instrument.kind();
        if (spread > kind.mostAtRestSpread() || Math.abs(median) > kind.mostAtRest()) {
            throw Checks.refusal(
                    "serial",
                    String.format(Locale.ROOT, "%s shows %.1f, moving by %.1f", instrument.serial(), median, spread),
                    String.format(
                            Locale.ROOT,
                            "an instrument at rest: within %.1f of nothing, moving by no more than %.1f",
                            kind.mostAtRest(),
                            kind.mostAtRestSpread()));
        }
        return median;
    }

    /**
     * What one shows, from nothing, until the taker wants no more.
     *
     * @throws NotFoundException if there is none, or it is not there
     */
    public void listen(UUID id, InstrumentLines.Taker taker) throws IOException {
        Registered registered =
                instruments.find(id).orElseThrow(() -> new NotFoundException("instrument", id.toString()));
        Announced there = there().stream()
                .filter(one -> one.serial().equals(registered.serial()))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("instrument that is there", registered.name()));
        lines.read(there, line -> taker.take(line.from(registered.atRest())));
    }
}
