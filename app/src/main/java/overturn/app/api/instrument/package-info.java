/** Instruments over HTTP. */
package overturn.app.api.instrument;
