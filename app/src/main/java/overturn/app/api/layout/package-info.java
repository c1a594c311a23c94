/** Layouts over HTTP. */
package overturn.app.api.layout;
