/** What was told of an APU, as a departure's log writes it. */
@NullMarked
package org.skelda.formats.apurun;

import org.jspecify.annotations.NullMarked;
