/**
 * Suspects: one way in which one component can be at fault. A suspect's physics is a list of
 * {@link overturn.suspect.Fault}s drawn at a severity; its remedy and its frequency before evidence stand beside it in
 * {@link overturn.suspect.SuspectCatalogue}. Words are in {@code words/suspects.properties} under the same id.
 */
@NullMarked
package overturn.suspect;

import org.jspecify.annotations.NullMarked;
