/** Jobs over HTTP. */
package overturn.app.api.job;
