/** Starts of engines as they happen: watched on the readings of a feed, judged, kept, and shown. */
@NullMarked
package org.skelda.app.start;

import org.jspecify.annotations.NullMarked;
