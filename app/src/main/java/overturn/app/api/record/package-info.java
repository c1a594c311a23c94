/** The record and what is learned from it, over HTTP. */
package overturn.app.api.record;
