/** Calculators over HTTP. */
package overturn.app.api.bench;
