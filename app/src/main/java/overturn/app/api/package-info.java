/** The HTTP API: what goes over the wire and how failures are told (RFC 9457). Knows use cases, never the store. */
@NullMarked
package overturn.app.api;

import org.jspecify.annotations.NullMarked;
