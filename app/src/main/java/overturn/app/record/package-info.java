/** The record: what is kept of closed jobs, and what is learned from them. */
package overturn.app.record;
