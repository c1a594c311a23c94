/** What instruments write down against time, and what a test reads off it. */
package overturn.instrument;
