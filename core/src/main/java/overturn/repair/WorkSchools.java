package overturn.repair;

import java.util.EnumMap;
import java.util.Map;
import java.util.TreeMap;

/**
 * The ways that a workshop or a job has chosen; the usual one where nothing is said.
 *
 * @param chosen a way of each school that is not left to the usual one
 */
public record WorkSchools(Map<School, String> chosen) {

    public static final WorkSchools USUAL = new WorkSchools(Map.of());

    /** @throws IllegalArgumentException if a way is none of its school */
    public WorkSchools {
        chosen = Map.copyOf(chosen);
        chosen.forEach((school, way) -> {
            if (!school.ways().contains(way)) {
                throw new IllegalArgumentException(way + " is no way of " + school.id());
            }
        });
    }

    /** The way that counts. */
    public String way(School school) {
        return chosen.getOrDefault(school, school.ways().get(0));
    }

    /** The same with one way chosen; the usual one is as if nothing were said. */
    public WorkSchools with(School school, String way) {
        Map<School, String> more = new EnumMap<>(School.class);
        more.putAll(chosen);
        more.put(school, way);
        more.remove(school, school.ways().get(0));
        return new WorkSchools(more);
    }

    /** Those of these stable ids that this version knows. */
    public static WorkSchools of(Map<String, String> ways) {
        WorkSchools known = USUAL;
        for (Map.Entry<String, String> one : ways.entrySet()) {
            School school = School.find(one.getKey()).orElse(null);
            if (school != null && school.ways().contains(one.getValue())) {
                known = known.with(school, one.getValue());
            }
        }
        return known;
    }

    /** Stable ids of the ways that are not left to the usual one, by those of their schools. */
    public Map<String, String> ids() {
        Map<String, String> ids = new TreeMap<>();
        chosen.forEach((school, way) -> ids.put(school.id(), way));
        return ids;
    }
}
