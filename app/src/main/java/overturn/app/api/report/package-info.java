/** What leaves the workshop on paper or into other programs: report, tag for the wheel, date of the re-check. */
@NullMarked
package overturn.app.api.report;

import org.jspecify.annotations.NullMarked;
