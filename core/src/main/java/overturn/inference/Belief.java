package overturn.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import overturn.measurement.RigTrust;
import overturn.numeric.LogSpace;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** What is believed after some readings: weights of all particles, and from them everything else. Immutable. */
public final class Belief {

    private final LayoutModel model;
    private final double[] particleWeights;
    private final double[] suspectProbabilities;
    private final Map<String, Double> lyingProbabilities;

    private Belief(LayoutModel model, double[] particleWeights, Map<String, Double> lyingProbabilities) {
        this.model = model;
        this.particleWeights = particleWeights;
        this.lyingProbabilities = Map.copyOf(lyingProbabilities);
        this.suspectProbabilities = new double[model.suspects().size()];
        for (int i = 0; i < particleWeights.length; i++) {
            suspectProbabilities[i / LayoutModel.PARTICLES] += particleWeights[i];
        }
    }

    /** Combines readings: product over rig set-ups, each either telling the truth in all its readings or in none. */
    static Belief of(LayoutModel model, List<ReadingLikelihood> readings) {
        double[] logWeights = logPrior(model);
        Map<String, double[]> truths = new LinkedHashMap<>();
        Map<String, Double> lies = new LinkedHashMap<>();
        bySetup(readings).forEach((setup, own) -> {
            double lying = trust(own).lyingProbability();
            double[] logTrue = new double[logWeights.length];
            double logLied = Math.log(lying) + sum(own, logTrue);
            for (int i = 0; i < logTrue.length; i++) {
                logTrue[i] += Math.log1p(-lying);
                logWeights[i] += LogSpace.add(logTrue[i], logLied);
            }
            truths.put(setup, logTrue);
            lies.put(setup, logLied);
        });
        double[] weights = LogSpace.normalised(logWeights);
        Map<String, Double> lying = new LinkedHashMap<>();
        truths.forEach((setup, logTrue) -> lying.put(setup, lyingProbability(weights, logTrue, lies.get(setup))));
        return new Belief(model, weights, lying);
    }

    private static double[] logPrior(LayoutModel model) {
        double total = model.suspects().stream().mapToDouble(Suspect::frequency).sum();
        double[] log = new double[model.suspects().size() * LayoutModel.PARTICLES];
        for (int i = 0; i < log.length; i++) {
            double frequency = model.suspects().get(i / LayoutModel.PARTICLES).frequency();
            log[i] = Math.log(frequency / total / LayoutModel.PARTICLES);
        }
        return log;
    }

    private static Map<String, List<ReadingLikelihood>> bySetup(List<ReadingLikelihood> readings) {
        Map<String, List<ReadingLikelihood>> groups = new LinkedHashMap<>();
        readings.forEach(r -> groups.computeIfAbsent(r.reading().rigSetup(), s -> new ArrayList<>()).add(r));
        return groups;
    }

    /** Doubt about any reading of a set-up is doubt about the set-up; proof of it needs no repeating. */
    private static RigTrust trust(List<ReadingLikelihood> setup) {
        if (setup.stream().anyMatch(r -> r.reading().trust() == RigTrust.DOUBTFUL)) {
            return RigTrust.DOUBTFUL;
        }
        return setup.stream().anyMatch(r -> r.reading().trust() == RigTrust.PROVEN) ? RigTrust.PROVEN : RigTrust.NORMAL;
    }

    /** Adds the log likelihoods of a set-up, repeats of one test averaged, and returns that of the lie. */
    private static double sum(List<ReadingLikelihood> setup, double[] logTrue) {
        Map<String, Long> repeats = new LinkedHashMap<>();
        setup.forEach(r -> repeats.merge(r.reading().procedureId(), 1L, Long::sum));
        double logLied = 0;
        for (ReadingLikelihood reading : setup) {
            double share = 1.0 / repeats.get(reading.reading().procedureId());
            reading.addTrueTo(logTrue, share);
            logLied += share * reading.logLied();
        }
        return logLied;
    }

    private static double lyingProbability(double[] weights, double[] logTrue, double logLied) {
        double probability = 0;
        for (int i = 0; i < weights.length; i++) {
            probability += weights[i] / (1 + Math.exp(logTrue[i] - logLied));
        }
        return probability;
    }

    LayoutModel model() {
        return model;
    }

    double particleWeight(int suspect, int particle) {
        return particleWeights[suspect * LayoutModel.PARTICLES + particle];
    }

    /** Probability of a suspect by its index in the model. */
    public double probability(int suspect) {
        return suspectProbabilities[suspect];
    }

    /** Probability of a suspect. */
    public double probability(String suspectId) {
        return suspectProbabilities[model.indexOf(suspectId)];
    }

    /** Probability of each remedy that any suspect calls for. */
    public Map<Remedy, Double> remedies() {
        Map<Remedy, Double> sums = new EnumMap<>(Remedy.class);
        for (int s = 0; s < suspectProbabilities.length; s++) {
            sums.merge(model.suspects().get(s).remedy(), suspectProbabilities[s], Double::sum);
        }
        return sums;
    }

    /** The remedy with the most weight; ties go to the first named. */
    public Remedy leadingRemedy() {
        return remedies().entrySet().stream().max(Comparator.comparingDouble(Map.Entry::getValue)).orElseThrow().getKey();
    }

    public double probability(Remedy remedy) {
        return remedies().getOrDefault(remedy, 0.0);
    }

    /** Suspects from the most to the least suspected, ties by order of the catalogue. */
    public List<Suspect> ranking() {
        List<Suspect> ranked = new ArrayList<>(model.suspects());
        ranked.sort(Comparator.comparingDouble((Suspect s) -> -probability(s.id())));
        return ranked;
    }

    /** Probability that each rig set-up lied. */
    public Map<String, Double> lyingProbabilities() {
        return lyingProbabilities;
    }
}
