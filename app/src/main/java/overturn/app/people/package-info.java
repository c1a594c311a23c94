/** Who may do what: people with their roles, the devices they share, what scripts sign in with. Free of Spring. */
@NullMarked
package overturn.app.people;

import org.jspecify.annotations.NullMarked;
