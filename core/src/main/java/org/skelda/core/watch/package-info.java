/**
 * What is watched of an aircraft: engines, the auxiliary power unit, the aircraft itself. Everything that is read,
 * judged and kept is kept under its subject. What is not here: how each of them is judged.
 */
@NullMarked
package org.skelda.core.watch;

import org.jspecify.annotations.NullMarked;
