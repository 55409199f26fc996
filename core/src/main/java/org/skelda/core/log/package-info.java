/**
 * What a departure's log is made of, whatever it tells: entries and who made them, what a command became, why one was
 * refused. What happened and what it changes is told by the rooms: seat, line, attempt, feed, simulator, record.
 */
@NullMarked
package org.skelda.core.log;

import org.jspecify.annotations.NullMarked;
