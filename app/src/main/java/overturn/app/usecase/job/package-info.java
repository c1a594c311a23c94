/** Acts on a job: open it, add to its log, judge it, take it along. */
@NullMarked
package overturn.app.usecase.job;

import org.jspecify.annotations.NullMarked;
