/** What the program knows before any job, over HTTP. */
package overturn.app.api.catalogue;
