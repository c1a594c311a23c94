/** Measures speed; figures are copied to {@code docs/performance.md} with the machine they were taken on. */
package overturn.bench;
