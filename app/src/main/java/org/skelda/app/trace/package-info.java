/** Traces of starts that came from files: opened, judged, kept, shown again as they happened, and given back. */
@NullMarked
package org.skelda.app.trace;

import org.jspecify.annotations.NullMarked;
