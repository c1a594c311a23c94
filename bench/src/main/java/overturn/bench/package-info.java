/** Measures speed; figures are copied to {@code docs/speed.md} with the machine they were taken on. */
package overturn.bench;
