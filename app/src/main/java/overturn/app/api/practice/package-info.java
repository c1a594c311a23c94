/** Practice over HTTP. */
package overturn.app.api.practice;
