/**
 * Working through a plan's lines: what was answered, measured, confirmed, passed or taken back, the procedures put
 * aside, the clocks that lines start, what each line waits for and what is next.
 *
 * <p>Reading order: {@link org.skelda.core.line.LineAsk}, {@link org.skelda.core.line.LineEvent},
 * {@link org.skelda.core.line.Lines} (the fold), {@link org.skelda.core.line.Progress},
 * {@link org.skelda.core.line.LineDeciding}, {@link org.skelda.core.line.LinesViewing}.
 */
@NullMarked
package org.skelda.core.line;

import org.jspecify.annotations.NullMarked;
