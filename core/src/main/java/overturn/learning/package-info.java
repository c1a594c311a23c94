/** What a workshop's closed jobs say of how frequent each fault is there: counts beside the frequencies that ship. */
package overturn.learning;
