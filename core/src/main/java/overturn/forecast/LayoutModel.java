package overturn.forecast;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** Suspects, tests, particles and predictions of one layout: everything that does not depend on a job. Thread-safe. */
public final class LayoutModel {

    /** Heap of a model before any test is simulated, bytes; measured (docs/speed.md). */
    private static final long FIXED_BYTES = 6_000_000;

    private final Layout layout;
    private final List<Suspect> suspects;
    private final Map<String, Integer> indices;
    private final ProcedureCatalogue procedures;
    private final Simulator simulator;
    private final Particles particles;
    private final int sound;
    private final Traits traits;
    private final Optional<LayoutModel> wider;
    private final KeptPredictions kept;
    private final ConcurrentHashMap<String, Predictions> predictions = new ConcurrentHashMap<>();
    private final ConcurrentHashMap<String, Channel> channels = new ConcurrentHashMap<>();
    private final AtomicInteger grown = new AtomicInteger();

    private LayoutModel(
            Layout layout,
            List<Suspect> suspects,
            Simulator simulator,
            Optional<LayoutModel> wider,
            KeptPredictions kept) {
        this.layout = layout;
        this.kept = kept;
        this.suspects = suspects;
        this.indices = IntStream.range(0, suspects.size())
                .boxed()
                .collect(Collectors.toMap(i -> suspects.get(i).id(), i -> i));
        this.wider = wider;
        this.procedures = ProcedureCatalogue.of(layout);
        this.simulator = simulator;
        this.particles = Particles.of(simulator, procedures.intake(), suspects);
        this.traits = new Traits(particles, suspects.size());
        this.sound = indexOf(SuspectCatalogue.NOTHING_WRONG);
    }

    public static LayoutModel of(Layout layout) {
        return of(layout, KeptPredictions.NONE);
    }

    /** A model that takes what is kept, and keeps what it works out. */
    public static LayoutModel of(Layout layout, KeptPredictions kept) {
        return new LayoutModel(layout, SuspectCatalogue.of(layout), Simulator.of(layout), Optional.empty(), kept);
    }

    /**
     * A model of the same layout that has never heard of some suspects: to see what it makes of a fault outside its
     * list.
     */
    public LayoutModel knowing(Predicate<Suspect> known) {
        return new LayoutModel(
                layout, suspects.stream().filter(known).toList(), simulator, Optional.of(this), KeptPredictions.NONE);
    }

    public Layout layout() {
        return layout;
    }

    /** The suspects; every array of the inference is in this order. */
    public List<Suspect> suspects() {
        return suspects;
    }

    public ProcedureCatalogue procedures() {
        return procedures;
    }

    public Simulator simulator() {
        return simulator;
    }

    /** How often it has grown, so that it need not be weighed again while it has not. */
    public int grown() {
        return grown.get();
    }

    void grows() {
        grown.incrementAndGet();
    }

    /** Computes all predictions ahead, so that no reading has to wait for them. */
    public void warmUp() {
        wider.ifPresentOrElse(LayoutModel::warmUp, this::senseAll);
        procedures.all().parallelStream().forEach(this::channel);
    }

    /**
     * Heap held by what has been predicted so far, bytes; it grows as tests are read. Tests, particles and the overhead
     * of objects are put at {@value #FIXED_BYTES} (measured, docs/speed.md).
     */
    public long heldBytes() {
        return FIXED_BYTES
                + predictions.values().stream()
                        .mapToLong(Predictions::heldBytes)
                        .sum()
                + channels.values().stream().mapToLong(Channel::heldBytes).sum();
    }

    private void senseAll() {
        List<Procedure> sensing = procedures.all().stream()
                .filter(p -> p.protocol().onlySenses() && !predictions.containsKey(p.id()))
                .toList();
        List<Predictions> sensed = sensing.isEmpty() ? List.of() : Predictions.ofSensing(this, sensing);
        for (int t = 0; t < sensed.size(); t++) {
            predictions.putIfAbsent(sensing.get(t).id(), sensed.get(t));
        }
    }

    public Particles particles() {
        return particles;
    }

    KeptPredictions kept() {
        return kept;
    }

    Traits traits() {
        return traits;
    }

    /** Index of nothing wrong. */
    public int sound() {
        return sound;
    }

    /**
     * Worked out outside the map: its tasks share threads with those of other tests, and a thread that waits for a bin
     * would wait for itself.
     */
    public Predictions predictions(Procedure procedure) {
        Predictions known = predictions.get(procedure.id());
        if (known == null) {
            grows();
            predictions.putIfAbsent(
                    procedure.id(),
                    wider.map(w -> w.predictions(procedure).of(this)).orElseGet(() -> Predictions.of(this, procedure)));
            known = predictions.get(procedure.id());
        }
        return known;
    }

    /**
     * Whether a test can tell a suspect, by its index, from nothing wrong; that nothing is wrong it tells from whatever
     * it sees.
     */
    public boolean tells(Procedure procedure, int suspect) {
        return suspect == sound || predictions(procedure).tells(suspect);
    }

    /** What a test may turn out to show, as a few outcomes. */
    public Channel channel(Procedure procedure) {
        Channel known = channels.get(procedure.id());
        if (known == null) {
            Predictions own = predictions(procedure);
            channels.putIfAbsent(
                    procedure.id(),
                    wider.map(w -> w.channel(procedure).of(w, this, own)).orElseGet(() -> Channel.of(this, own)));
            known = channels.get(procedure.id());
        }
        return known;
    }

    /** Index of a suspect. */
    public int indexOf(String suspectId) {
        Integer index = indices.get(suspectId);
        if (index == null) {
            throw new IllegalArgumentException("Suspect " + suspectId + " is not in layout " + layout.id());
        }
        return index;
    }
}
