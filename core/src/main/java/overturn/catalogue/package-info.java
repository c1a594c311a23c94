/** Which tests there are on a layout, from the seat to the bench, each written down piece by piece. */
package overturn.catalogue;
