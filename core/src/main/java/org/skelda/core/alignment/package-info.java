/**
 * How the inertial units come to know where they are: how long they need, what they are told, what disturbs them, and
 * what they keep. The numbers are the type's; only the rules live here. What is not here: the desk of it, and the
 * simulated units.
 */
@NullMarked
package org.skelda.core.alignment;

import org.jspecify.annotations.NullMarked;
