/**
 * The kinds of lines: what each expects, how it is worked, what can happen to it, and how it stands then. One file a
 * kind, with what is asked, what happens and what is shown nested in it; none knows a plan, a log or a clock.
 *
 * <p>Reading order: {@link org.skelda.core.kind.LineKind}, {@link org.skelda.core.kind.Doing},
 * {@link org.skelda.core.kind.Work}, {@link org.skelda.core.kind.History}, then the kinds.
 */
@NullMarked
package org.skelda.core.kind;

import org.jspecify.annotations.NullMarked;
