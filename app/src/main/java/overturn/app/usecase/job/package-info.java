/** Acts on a job: open it, add to its log, judge it, take it along. */
package overturn.app.usecase.job;
