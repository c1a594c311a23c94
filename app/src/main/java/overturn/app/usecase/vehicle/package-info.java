/** What is known of vehicles. */
package overturn.app.usecase.vehicle;
