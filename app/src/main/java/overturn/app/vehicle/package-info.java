/**
 * A vehicle as the workshop knows it, whichever job found it out: name, circuit, distances, measured figures, notes.
 */
package overturn.app.vehicle;
