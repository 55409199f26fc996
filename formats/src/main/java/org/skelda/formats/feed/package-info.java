/**
 * Readings that an aircraft sends, as newline-delimited JSON: read into the core's samples, refused as a whole where a
 * line is malformed, and written again as a trace.
 */
@NullMarked
package org.skelda.formats.feed;

import org.jspecify.annotations.NullMarked;
