/** Tables in and out as comma-separated values (RFC 4180). */
package overturn.app.api.csv;
