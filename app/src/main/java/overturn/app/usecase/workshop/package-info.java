/** What the workshop tells of itself, and whether all of it is sound. */
package overturn.app.usecase.workshop;
