/** One class per act. Transactions begin and end here; input is checked here, with every finding named at once. */
package overturn.app.usecase;
