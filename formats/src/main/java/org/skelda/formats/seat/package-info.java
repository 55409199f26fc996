/** The payloads of what happened to the seats. */
@NullMarked
package org.skelda.formats.seat;

import org.jspecify.annotations.NullMarked;
