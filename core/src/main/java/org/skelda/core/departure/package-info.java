/**
 * One departure as a log: commands are decided into events, events are folded into a state, and a view tells what the
 * state means at a time. Each is the sum of what the rooms know: {@code seat}, {@code line}, {@code attempt},
 * {@code feed}, {@code simulator}, {@code record}.
 *
 * <p>Reading order: {@link org.skelda.core.departure.Ask} (what can be asked), {@link org.skelda.core.departure.Event}
 * (what can happen), {@link org.skelda.core.departure.Departure} (the fold),
 * {@link org.skelda.core.departure.Deciding}, {@link org.skelda.core.departure.Viewing}. No clock, no storage, no JSON:
 * time and identities come in as values.
 */
@NullMarked
package org.skelda.core.departure;

import org.jspecify.annotations.NullMarked;
