/**
 * The auxiliary power unit: from off over its start to giving current and air, and back to where the batteries may go
 * off. Its numbers are the type's.
 */
@NullMarked
package org.skelda.core.apu;

import org.jspecify.annotations.NullMarked;
