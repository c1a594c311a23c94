/** What closed jobs say of how frequent faults are here. */
package overturn.app.usecase.learning;
