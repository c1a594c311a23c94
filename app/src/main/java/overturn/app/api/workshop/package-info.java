/** The workshop and the health of the server over HTTP. */
package overturn.app.api.workshop;
