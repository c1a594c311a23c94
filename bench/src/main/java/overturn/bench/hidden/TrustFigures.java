package overturn.bench.hidden;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import overturn.inference.SuspectedPlaces;
import overturn.suspect.Cure;
import overturn.verdict.Grade;

/**
 * Whether what the planner says can be trusted, on single faults and sound vehicles; per cent unless said otherwise.
 *
 * @param right singles whose remedy is named, not open
 * @param proven singles whose verdict is proven
 * @param provenWrong of the proven verdicts, those not needed
 * @param probableRight of the probable verdicts on singles, those right
 * @param probableClaimed what they claim on average
 * @param allProbableRight of all probable verdicts, those on sound vehicles too, those right: a claim is held to its
 *     record over all who hear it, and of singles every vehicle that is called sound is wrong
 * @param allProbableClaimed what all of them claim on average
 * @param noneOfThese singles and sound vehicles said to have a fault in no list, not open
 * @param open singles left open
 * @param soundCalledSound sound vehicles called sound, not open
 * @param calibrationGap largest difference of claimed and held over tenths of the verdicts, points
 * @param coverage of the true suspect's band after up to 4, 5 to 14, 15 and more readings
 * @param minutes to the verdict of a single
 * @param ninthDecileMinutes which nine of ten singles need at most
 * @param unlistedLeads singles at whose verdict a fault in no list leads, open too
 * @param wrongParts per 100 jobs
 * @param parts singles whose remedy is right and can be done at several parts
 * @param partTold of these, those of which one part is named
 * @param partRight of the parts named, those where the fault is
 * @param partClaimed what they claim on average
 */
record TrustFigures(
        int singles,
        int sound,
        double right,
        double proven,
        double provenWrong,
        double probableRight,
        double probableClaimed,
        double allProbableRight,
        double allProbableClaimed,
        double noneOfThese,
        double open,
        double soundCalledSound,
        double calibrationGap,
        List<Double> coverage,
        double minutes,
        double ninthDecileMinutes,
        double unlistedLeads,
        double wrongParts,
        int parts,
        double partTold,
        double partRight,
        double partClaimed) {

    private static final int BINS = 8;

    static TrustFigures of(List<Outcome> outcomes) {
        List<Outcome> planner =
                outcomes.stream().filter(o -> o.policy() == Policy.OVERTURN).toList();
        List<Outcome> singles = PolicyFigures.only(planner, Stratum.SINGLE);
        List<Outcome> sound = PolicyFigures.only(planner, Stratum.SOUND);
        List<Outcome> both = new ArrayList<>(singles);
        both.addAll(sound);
        List<Outcome> proven = with(both, Grade.PROVEN);
        List<Outcome> probable = with(singles, Grade.PROBABLE);
        List<Outcome> allProbable = with(both, Grade.PROBABLE);
        List<Outcome.Claim> parts =
                singles.stream().flatMap(o -> o.part().stream()).toList();
        List<Outcome.Claim> told = parts.stream()
                .filter(part ->
                        SuspectedPlaces.told(Map.of("part", part.probability())).isPresent())
                .toList();
        return new TrustFigures(
                singles.size(),
                sound.size(),
                share(singles, Outcome::firstRight),
                share(singles, o -> o.grade() == Grade.PROVEN),
                share(proven, o -> !o.firstRight()),
                share(probable, Outcome::firstRight),
                meanClaimed(probable),
                share(allProbable, Outcome::firstRight),
                meanClaimed(allProbable),
                share(both, o -> o.grade() != Grade.OPEN && o.named().equals(Cure.LOOK_ELSEWHERE)),
                share(singles, o -> o.grade() == Grade.OPEN),
                share(sound, Outcome::firstRight),
                gap(both),
                List.of(coverage(both, 0, 4), coverage(both, 5, 14), coverage(both, 15, Integer.MAX_VALUE)),
                PolicyFigures.tenth(
                        singles.stream().mapToDouble(Outcome::minutes).average().orElse(0)),
                PolicyFigures.tenth(ninthDecile(singles)),
                share(singles, o -> o.named().equals(Cure.LOOK_ELSEWHERE)),
                PolicyFigures.tenth(100
                        * both.stream()
                                .mapToDouble(Outcome::wrongParts)
                                .average()
                                .orElse(0)),
                parts.size(),
                PolicyFigures.tenth(100.0 * told.size() / Math.max(1, parts.size())),
                mean(told, part -> part.held() ? 1 : 0),
                mean(told, Outcome.Claim::probability));
    }

    private static double mean(List<Outcome.Claim> claims, ToDoubleFunction<Outcome.Claim> of) {
        return PolicyFigures.tenth(
                100 * claims.stream().mapToDouble(of).average().orElse(0));
    }

    private static double ninthDecile(List<Outcome> outcomes) {
        double[] minutes =
                outcomes.stream().mapToDouble(Outcome::minutes).sorted().toArray();
        return minutes.length == 0 ? 0 : minutes[Math.min(minutes.length - 1, (int) (0.9 * minutes.length))];
    }

    private static List<Outcome> with(List<Outcome> outcomes, Grade grade) {
        return outcomes.stream().filter(o -> o.grade() == grade).toList();
    }

    private static double share(List<Outcome> outcomes, Predicate<Outcome> which) {
        return PolicyFigures.share(outcomes, which);
    }

    private static double meanClaimed(List<Outcome> outcomes) {
        return PolicyFigures.tenth(100
                * outcomes.stream().mapToDouble(TrustFigures::claimed).average().orElse(0));
    }

    /** What the last claim before the verdict said. */
    private static double claimed(Outcome outcome) {
        return outcome.claims().isEmpty()
                ? 0
                : outcome.claims().get(outcome.claims().size() - 1).probability();
    }

    private static double gap(List<Outcome> outcomes) {
        List<Outcome.Claim> last = outcomes.stream()
                .filter(o -> !o.claims().isEmpty())
                .map(o -> o.claims().get(o.claims().size() - 1))
                .sorted(Comparator.comparingDouble(Outcome.Claim::probability))
                .toList();
        double most = 0;
        for (int b = 0; b < BINS; b++) {
            List<Outcome.Claim> bin = last.subList(b * last.size() / BINS, (b + 1) * last.size() / BINS);
            double claimed = bin.stream()
                    .mapToDouble(Outcome.Claim::probability)
                    .average()
                    .orElse(0);
            double held =
                    bin.stream().mapToDouble(c -> c.held() ? 1 : 0).average().orElse(0);
            most = Math.max(most, Math.abs(claimed - held));
        }
        return PolicyFigures.tenth(100 * most);
    }

    private static double coverage(List<Outcome> outcomes, int least, int most) {
        List<Outcome.Covered> all = outcomes.stream()
                .flatMap(o -> o.covered().stream())
                .filter(c -> c.readingsBefore() >= least && c.readingsBefore() <= most)
                .toList();
        return PolicyFigures.tenth(100
                * all.stream().mapToDouble(c -> c.inside() ? 1 : 0).average().orElse(0));
    }

    String text() {
        return String.format(
                Locale.ROOT,
                """
                %d singles, %d sound
                right                       %5.1f %%
                proven                      %5.1f %%
                proven, not needed          %5.1f %%
                probable, right             %5.1f %% (claimed %.1f)
                the same with the sound     %5.1f %% (claimed %.1f)
                none of these, falsely      %5.1f %%
                open                        %5.1f %%
                sound called sound          %5.1f %%
                claimed against held, most  %5.1f points
                band of the true suspect    %s %% (up to 4, 5 to 14, 15 and more readings)
                minutes to the verdict      %5.1f (nine of ten within %.0f)
                a fault in no list leads    %5.1f %%
                wrong parts per 100         %5.1f
                one part named              %5.1f %% of %d that are right and could be at several
                part named, right           %5.1f %% (claimed %.1f)
                """,
                singles,
                sound,
                right,
                proven,
                provenWrong,
                probableRight,
                probableClaimed,
                allProbableRight,
                allProbableClaimed,
                noneOfThese,
                open,
                soundCalledSound,
                calibrationGap,
                coverage,
                minutes,
                ninthDecileMinutes,
                unlistedLeads,
                wrongParts,
                partTold,
                parts,
                partRight,
                partClaimed);
    }
}
