/** The lines of the bay and who keeps them. */
package overturn.app.usecase.bay;
