package overturn.bleeding;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * How a workshop bleeds where the maker says nothing.
 *
 * @param method by which fluid is moved
 * @param order of the ends
 * @param makersOrder ids of the ends as the maker gives them; wins where it names every end that is bled
 */
public record Schools(Method method, Order order, List<String> makersOrder) {

    /** Two people, farthest end first: needs no tool, and old fluid leaves by the longest way first. */
    public static final Schools USUAL = new Schools(Method.TWO_PEOPLE, Order.FARTHEST_FIRST, List.of());

    /** How fluid is moved, and how much of a full stroke's fluid it moves each time; estimates. */
    public enum Method {
        TWO_PEOPLE("two-people", 1, ""),
        ONE_WAY_VALVE("one-way-valve", 0.9, ""),
        WEDGED("wedged", 0.7, "prop-slips"),
        PRESSURE("pressure", 1.1, "pressure-bleeder"),
        VACUUM("vacuum", 0.8, ""),
        VACUUM_AT_RESERVOIR("vacuum-at-reservoir", 0.6, ""),
        LOOSENED_NUTS("loosened-nuts", 0.5, "pressure"),
        GRAVITY("gravity", 0.4, ""),
        REVERSE("reverse", 0.8, "brim");

        private final String id;
        private final double share;
        private final String caution;

        Method(String id, double share, String caution) {
            this.id = id;
            this.share = share;
            this.caution = caution;
        }

        /** Id of the caution of this method. */
        public Optional<String> cautionId() {
            return Optional.of(caution).filter(c -> !c.isEmpty());
        }

        /** Stable id. */
        public String id() {
            return id;
        }

        /** The method of an id. */
        public static Optional<Method> find(String id) {
            return Arrays.stream(values()).filter(m -> m.id.equals(id)).findFirst();
        }

        double share() {
            return share;
        }

        /** Whether fluid is pushed up from the end, so that the reservoir fills. */
        public boolean fills() {
            return this == REVERSE;
        }

        /** Whether nobody presses, so that a stroke is a portion let out. */
        public boolean withoutPedal() {
            return this == PRESSURE
                    || this == VACUUM
                    || this == VACUUM_AT_RESERVOIR
                    || this == GRAVITY
                    || this == REVERSE;
        }
    }

    /** In which order ends are bled. */
    public enum Order {
        FARTHEST_FIRST("farthest-first"),
        NEAREST_FIRST("nearest-first"),
        DIAGONAL("diagonal");

        private final String id;

        Order(String id) {
            this.id = id;
        }

        /** Stable id. */
        public String id() {
            return id;
        }

        /** The order of an id. */
        public static Optional<Order> find(String id) {
            return Arrays.stream(values()).filter(o -> o.id.equals(id)).findFirst();
        }
    }

    public Schools {
        makersOrder = List.copyOf(makersOrder);
    }
}
