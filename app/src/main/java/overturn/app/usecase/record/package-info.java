/** Reads the record, and tells what is learned from it. */
package overturn.app.usecase.record;
