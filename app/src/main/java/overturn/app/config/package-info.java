/** Wiring: clock, filters that guard the door, the description of the API. */
package overturn.app.config;
