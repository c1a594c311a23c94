/** Instruments that are not there, as programs that speak as a real one would. */
package overturn.secondworld.standin;
