/**
 * Starts of engines in open formats: the trace as CSV ({@link org.skelda.formats.start.TraceReader}), the shipped
 * profiles, and what is said of a trace, as JSON.
 */
@NullMarked
package org.skelda.formats.start;

import org.jspecify.annotations.NullMarked;
