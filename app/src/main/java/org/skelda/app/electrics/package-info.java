/** The electrics of aircraft that are read by a feed. */
@NullMarked
package org.skelda.app.electrics;

import org.jspecify.annotations.NullMarked;
