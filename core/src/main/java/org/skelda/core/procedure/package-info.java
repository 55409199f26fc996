/**
 * What a crew works through: the type's sheet (clocks, measures, panel maps) and the operator's procedures, line by
 * line, joined into one plan. Nothing here knows whether a line is done.
 *
 * <p>Reading order: {@link org.skelda.core.procedure.Line}, {@link org.skelda.core.procedure.Condition},
 * {@link org.skelda.core.procedure.Procedure}, {@link org.skelda.core.procedure.Plan}.
 */
@NullMarked
package org.skelda.core.procedure;

import org.jspecify.annotations.NullMarked;
