/** Who works here, the tools and prices of the workshop, and whether its store answers. */
package overturn.app.workshop;
