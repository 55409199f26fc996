/** The door through which aircraft send their readings, and who may use it. */
@NullMarked
package org.skelda.app.feed;

import org.jspecify.annotations.NullMarked;
