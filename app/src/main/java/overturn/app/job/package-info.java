/**
 * The log of a job: what was entered, by whom, in order. The state of a job is a fold over its entries; nothing here
 * knows of Spring, SQL or JSON.
 */
@NullMarked
package overturn.app.job;

import org.jspecify.annotations.NullMarked;
