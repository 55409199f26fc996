/**
 * The feed that a departure is watched by: whether readings arrive, and whose they are. What they say is judged
 * elsewhere.
 */
@NullMarked
package org.skelda.core.feed;

import org.jspecify.annotations.NullMarked;
