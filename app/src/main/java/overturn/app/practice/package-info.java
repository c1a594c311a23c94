/** Exercises and what was done in them, as they are kept. */
package overturn.app.practice;
