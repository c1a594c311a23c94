/** Vehicles over HTTP. */
package overturn.app.api.vehicle;
