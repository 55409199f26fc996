/** The logbook: signed departures and what became of their starts. */
@NullMarked
package org.skelda.app.logbook;

import org.jspecify.annotations.NullMarked;
