package org.skelda.app.departure;

import org.jspecify.annotations.Nullable;

/**
 * One message of a stream.
 *
 * @param name {@code log}, {@code view}, {@code change} of the view told last, {@code heartbeat}, or what a room tells
 * @param id number of a log event, to resume from; null for all else
 * @param json the data
 */
record StreamMessage(String name, @Nullable Long id, String json) {}
