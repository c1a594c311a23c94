/** Pictures taken at a step or of an entry. */
package overturn.app.photo;
