/** What others than the crew tell of a day: the schedule, the weather line, the load. */
@NullMarked
package org.skelda.app.fact;

import org.jspecify.annotations.NullMarked;
