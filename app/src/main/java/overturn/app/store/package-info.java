/**
 * Keeps logs in PostgreSQL. SQL stands in text blocks beside its row mapper; nothing here is seen from outside but the
 * ports.
 */
@NullMarked
package overturn.app.store;

import org.jspecify.annotations.NullMarked;
