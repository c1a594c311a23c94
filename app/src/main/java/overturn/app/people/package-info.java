/** Who may do what: people with their roles, the devices they share, what scripts sign in with. Free of Spring. */
package overturn.app.people;
