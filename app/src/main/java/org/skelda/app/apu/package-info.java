/** The APU of a departure: watched by a feed, and its page. */
@NullMarked
package org.skelda.app.apu;

import org.jspecify.annotations.NullMarked;
