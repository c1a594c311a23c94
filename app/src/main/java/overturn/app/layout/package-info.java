/** Layouts that the workshop has saved. */
package overturn.app.layout;
