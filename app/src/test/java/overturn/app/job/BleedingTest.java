package overturn.app.job;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;
import overturn.bleeding.Schools.Method;
import overturn.bleeding.Schools.Order;

class BleedingTest {

    @Test
    void nobodyBeginsWithTwoPeopleWhereThereIsOne() {
        Bleeding two = Bleeding.of(Method.TWO_PEOPLE, Order.FARTHEST_FIRST);
        assertEquals(two, two.by(true));
        assertEquals(Bleeding.of(Method.ONE_WAY_VALVE, Order.FARTHEST_FIRST), two.by(false));
        Bleeding pressure = Bleeding.of(Method.PRESSURE, Order.FARTHEST_FIRST);
        assertEquals(pressure, pressure.by(false), "what one person can do stays");
    }
}
