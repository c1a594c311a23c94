/**
 * Layouts as files: an open JSON format with a published JSON Schema, in which every dimension has its title, unit,
 * range and default; reading with clear refusals; the presets that ship with the program.
 */
@NullMarked
package overturn.layoutfile;

import org.jspecify.annotations.NullMarked;
