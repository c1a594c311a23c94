package overturn.app.instrument;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.instrument.InstrumentKind;

/** Which instruments there are: those that say so, and those that were registered. */
public interface Instruments {

    /** One that says that it is there, and where its stream is; it says so again and again. */
    record Announced(String serial, InstrumentKind kind, String host, int port, Instant seenAt) {}

    /**
     * One of the workshop.
     *
     * @param serial by which the instrument calls itself
     * @param atRest what it showed at rest when it was registered, in the unit of its kind
     */
    record Registered(UUID id, String serial, InstrumentKind kind, String name, double atRest, Instant registeredAt) {}

    /** Notes that one is there; of one serial the later counts. */
    void announce(Announced instrument);

    /** Those that said so since then. */
    List<Announced> announced(Instant since);

    /** Those that are in use, by name. */
    List<Registered> registered();

    Optional<Registered> find(UUID id);

    /** Registers one; the same id again changes nothing. */
    void register(Registered instrument, String personId);

    /** Takes one out of use; what it measured stays. */
    void retire(UUID id, String personId, Instant at);
}
