package overturn.app.usecase.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import overturn.app.people.Actor;
import overturn.app.practice.Noted;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.practice.Practise.Line;

/** How exercises went: by person, and side by side where several people had the same vehicle. */
@Component
public class PracticeResults {

    /** Of so many of the latest exercises. */
    private static final int MOST_LINES = 2_000;
    /** So many of the latest of one person are told one by one. */
    private static final int LATEST = 8;

    private final Practise practise;

    PracticeResults(Practise practise) {
        this.practise = practise;
    }

    /**
     * One person's exercises that are over.
     *
     * @param points their mean, 0 to 100
     * @param latest points of the latest, the oldest first
     * @param claims how sure this person was of what
     */
    public record OfPerson(
            String personId, int done, int right, double points, List<Integer> latest, List<Noted.Ended.Claim> claims) {

        static OfPerson of(String personId, List<Noted.Ended> ended) {
            return new OfPerson(
                    personId,
                    ended.size(),
                    (int) ended.stream().filter(Noted.Ended::right).count(),
                    ended.stream().mapToInt(Noted.Ended::points).average().orElse(0),
                    ended.subList(Math.max(0, ended.size() - LATEST), ended.size()).stream()
                            .map(Noted.Ended::points)
                            .toList(),
                    ended.stream().flatMap(e -> e.claims().stream()).toList());
        }
    }

    /** One vehicle that was set for several people, and how far each is. */
    public record OfClass(SetExercise set, List<Line> people) {}

    /** Both; the people by how much they did, the classes from the newest. */
    public record Results(List<OfPerson> people, List<OfClass> classes) {}

    /** Of everybody for whoever sets exercises, of oneself for others. */
    public Results results(Actor actor) {
        List<Line> oldestFirst = new ArrayList<>(practise.lines(actor, MOST_LINES));
        oldestFirst.sort(Comparator.comparing(line -> line.set().setAt()));
        Map<String, List<Noted.Ended>> byPerson = oldestFirst.stream()
                .filter(line -> line.ended().isPresent())
                .collect(Collectors.groupingBy(
                        line -> line.set().personId(),
                        LinkedHashMap::new,
                        Collectors.mapping(line -> line.ended().orElseThrow(), Collectors.toList())));
        List<OfPerson> people = byPerson.entrySet().stream()
                .map(entry -> OfPerson.of(entry.getKey(), entry.getValue()))
                .sorted(Comparator.comparingInt(OfPerson::done).reversed())
                .toList();
        return new Results(people, classes(oldestFirst));
    }

    /** One vehicle and who set it. */
    private record SameVehicle(String setById, String layoutId, long seed) {
        static SameVehicle of(Line line) {
            return new SameVehicle(
                    line.set().setById(),
                    line.set().layoutId(),
                    line.set().exercise().seed());
        }
    }

    private static boolean forSomebodyElse(Line line) {
        return !line.set().personId().equals(line.set().setById());
    }

    private static List<OfClass> classes(List<Line> oldestFirst) {
        return oldestFirst.stream()
                .collect(Collectors.groupingBy(SameVehicle::of, LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .filter(lines -> lines.stream().anyMatch(PracticeResults::forSomebodyElse))
                .map(lines -> new OfClass(lines.get(0).set(), lines))
                .sorted(Comparator.comparing((OfClass one) -> one.set().setAt()).reversed())
                .toList();
    }
}
