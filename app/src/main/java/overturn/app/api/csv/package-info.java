/** Tables in and out as comma-separated values (RFC 4180). */
@NullMarked
package overturn.app.api.csv;

import org.jspecify.annotations.NullMarked;
