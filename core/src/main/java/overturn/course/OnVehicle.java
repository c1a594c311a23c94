package overturn.course;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Set;

/**
 * What is on the vehicle, off it or moved, by tests and by the plan alike: {@code kind@place}, or {@code kind} where
 * there is only one place. Items of one kind are the same one where one of them names no place.
 */
public record OnVehicle(Set<String> items) {

    /** The tag for the wheel: it forbids to drive and comes off with the release. */
    private static final String TAG = "do-not-drive-tag";

    public static final OnVehicle NOTHING = new OnVehicle(Set.of());

    public OnVehicle {
        items = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(items));
    }

    /** With these put on, taken off or moved. */
    public OnVehicle with(Collection<String> more) {
        Set<String> all = new LinkedHashSet<>(items);
        more.stream().filter(item -> !has(item)).forEach(all::add);
        return new OnVehicle(all);
    }

    /** With these set back. */
    public OnVehicle without(Collection<String> back) {
        Set<String> left = new LinkedHashSet<>(items);
        left.removeIf(item -> back.stream().anyMatch(one -> same(one, item)));
        return new OnVehicle(left);
    }

    /** With the tag off. */
    public OnVehicle released() {
        Set<String> left = new LinkedHashSet<>(items);
        left.removeIf(OnVehicle::isTag);
        return new OnVehicle(left);
    }

    public boolean has(String item) {
        return items.stream().anyMatch(one -> same(one, item));
    }

    /** Whether a step that leaves all this on, off or moved finds it so already; not one that leaves nothing. */
    public boolean does(Collection<String> leaves) {
        return !leaves.isEmpty() && leaves.stream().allMatch(this::has);
    }

    /** All of it that has to be set back before the vehicle is proved; the tag is not. */
    public Set<String> toSetBack() {
        Set<String> left = new LinkedHashSet<>(items);
        left.removeIf(OnVehicle::isTag);
        return left;
    }

    private static boolean isTag(String item) {
        return kind(item).equals(TAG);
    }

    private static boolean same(String one, String other) {
        return kind(one).equals(kind(other)) && (one.equals(other) || one.indexOf('@') < 0 || other.indexOf('@') < 0);
    }

    private static String kind(String item) {
        int at = item.indexOf('@');
        return at < 0 ? item : item.substring(0, at);
    }
}
