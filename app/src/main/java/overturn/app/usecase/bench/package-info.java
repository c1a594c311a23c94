/** Calculations on a layout. */
package overturn.app.usecase.bench;
