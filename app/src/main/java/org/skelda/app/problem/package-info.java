/** The catalogue of problem answers: one sentence on what is wrong, what was kept, and what to do. */
@NullMarked
package org.skelda.app.problem;

import org.jspecify.annotations.NullMarked;
