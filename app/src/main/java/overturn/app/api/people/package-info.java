/** Signing in and handing over; people, tablets and tokens. */
package overturn.app.api.people;
