package overturn.bleeding;

import java.util.List;

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
        TWO_PEOPLE(1),
        ONE_WAY_VALVE(0.9),
        WEDGED(0.7),
        PRESSURE(1.1),
        VACUUM(0.8),
        GRAVITY(0.4),
        REVERSE(0.8);

        private final double share;

        Method(double share) {
            this.share = share;
        }

        double share() {
            return share;
        }

        /** Whether nobody presses, so that a stroke is a portion let out. */
        public boolean withoutPedal() {
            return this == PRESSURE || this == VACUUM || this == GRAVITY || this == REVERSE;
        }
    }

    /** In which order ends are bled. */
    public enum Order {
        FARTHEST_FIRST,
        NEAREST_FIRST,
        DIAGONAL
    }

    public Schools {
        makersOrder = List.copyOf(makersOrder);
    }
}
