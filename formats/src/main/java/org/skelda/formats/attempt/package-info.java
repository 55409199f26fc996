/** The payloads of what was told of attempts to start. */
@NullMarked
package org.skelda.formats.attempt;

import org.jspecify.annotations.NullMarked;
