/** The payloads of what happened to lines, procedures and the clocks that lines start. */
@NullMarked
package org.skelda.formats.line;

import org.jspecify.annotations.NullMarked;
