/**
 * Air for the starters: what gives it, through which valves, what takes its share, and what is set wrong when a starter
 * has too little.
 */
@NullMarked
package org.skelda.core.bleed;

import org.jspecify.annotations.NullMarked;
