package overturn.inference;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.random.RandomGenerator;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.procedure.ProcedureCatalogue;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** Suspects, tests, particles and predictions of one layout: everything that does not depend on a job. Thread-safe. */
public final class LayoutModel {

    /** Particles per suspect; more width than number (handbook 05). */
    public static final int PARTICLES = 200;

    private static final double DOUBLED_NOISE_SHARE = 0.2;
    private static final long PARTICLE_SEED = 20_261_125L;

    private final Layout layout;
    private final List<Suspect> suspects;
    private final ProcedureCatalogue procedures;
    private final Simulator simulator;
    private final List<List<Particle>> particles;
    private final ConcurrentHashMap<String, Predictions> predictions = new ConcurrentHashMap<>();

    private LayoutModel(Layout layout) {
        this.layout = layout;
        this.suspects = SuspectCatalogue.of(layout);
        this.procedures = ProcedureCatalogue.of(layout);
        this.simulator = Simulator.of(layout);
        this.particles = drawParticles();
    }

    public static LayoutModel of(Layout layout) {
        return new LayoutModel(layout);
    }

    /**
     * A vehicle that a suspect might look like.
     *
     * @param noiseScale 1, or 2 where hand and instrument are worse than they should be
     */
    record Particle(VehicleUnknowns vehicle, List<Fault> faults, double noiseScale) {
    }

    private List<List<Particle>> drawParticles() {
        RandomGenerator random = new SplittableRandom(PARTICLE_SEED);
        List<List<Particle>> all = new ArrayList<>();
        for (Suspect suspect : suspects) {
            List<Particle> own = new ArrayList<>();
            for (int i = 0; i < PARTICLES; i++) {
                double severity = (i + 0.5) / PARTICLES;
                double noiseScale = random.nextDouble() < DOUBLED_NOISE_SHARE ? 2 : 1;
                own.add(new Particle(VehicleUnknowns.draw(random), suspect.physics().at(severity, layout, random), noiseScale));
            }
            all.add(List.copyOf(own));
        }
        return List.copyOf(all);
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

    /** Computes all predictions ahead, so that no reading has to wait for them. */
    public void warmUp() {
        procedures.all().parallelStream().forEach(this::predictions);
    }

    List<Particle> particlesOf(int suspect) {
        return particles.get(suspect);
    }

    Predictions predictions(Procedure procedure) {
        return predictions.computeIfAbsent(procedure.id(), id -> Predictions.of(this, procedure));
    }

    /** Index of a suspect. */
    public int indexOf(String suspectId) {
        for (int i = 0; i < suspects.size(); i++) {
            if (suspects.get(i).id().equals(suspectId)) {
                return i;
            }
        }
        throw new IllegalArgumentException("Suspect " + suspectId + " is not in layout " + layout.id());
    }
}
