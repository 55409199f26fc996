/**
 * Packs: the type's and the operator's YAML documents, checked against the published schema and read into a plan.
 *
 * <p>Reading order: {@link org.skelda.formats.procedure.PackSource}, {@link org.skelda.formats.procedure.PackReader}.
 */
@NullMarked
package org.skelda.formats.procedure;

import org.jspecify.annotations.NullMarked;
