package overturn.app.job;

import java.util.List;
import overturn.bleeding.Schools;
import overturn.bleeding.Schools.Method;
import overturn.bleeding.Schools.Order;

/**
 * How a workshop bleeds where the maker says nothing.
 *
 * @param method stable id of the method
 * @param order stable id of the order of the ends
 */
public record Bleeding(String method, String order) {

    public static final Bleeding USUAL = of(Schools.USUAL.method(), Schools.USUAL.order());

    /** Of a method and an order. */
    public static Bleeding of(Method method, Order order) {
        return new Bleeding(method.id(), order.id());
    }

    /** The same, but by one person where there is no second. */
    public Bleeding by(boolean helper) {
        return helper || !method.equals(Method.TWO_PEOPLE.id()) ? this : new Bleeding(Method.ONE_WAY_VALVE.id(), order);
    }

    /** With an order of the maker's; a method or order that is not known any more is the usual one. */
    public Schools schools(List<String> makersOrder) {
        return new Schools(
                Method.find(method).orElse(Schools.USUAL.method()),
                Order.find(order).orElse(Schools.USUAL.order()),
                makersOrder);
    }
}
