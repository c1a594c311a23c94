/** What leaves the workshop on paper or into other programs: report, tag for the wheel, date of the re-check. */
package overturn.app.api.report;
