/** The instruments of the workshop: which there are, and what they show. */
package overturn.app.instrument;
