/**
 * What the payload of any event is written with and read by. Each room has a codec of its own; their sum is the
 * record's.
 */
@NullMarked
package org.skelda.formats.log;

import org.jspecify.annotations.NullMarked;
