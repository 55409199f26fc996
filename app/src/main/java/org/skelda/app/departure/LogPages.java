package org.skelda.app.departure;

import java.util.Iterator;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.UUID;

/** A part of a log for a stream, read from the store some at a time, so that its length is nobody's burden. */
final class LogPages implements Iterator<StreamMessage> {
    private static final int AT_A_TIME = 200;

    private final LogStore store;
    private final UUID departureId;
    private final long last;
    private long after;
    private Iterator<StoredEvent> page = List.<StoredEvent>of().iterator();

    /** @param after number of the last event that is known already; @param last of the last that is wanted */
    LogPages(LogStore store, UUID departureId, long after, long last) {
        this.store = store;
        this.departureId = departureId;
        this.after = after;
        this.last = last;
    }

    @Override
    public boolean hasNext() {
        return after < last;
    }

    @Override
    public StreamMessage next() {
        if (!page.hasNext()) {
            page = store.events(departureId, after, Math.min(last, after + AT_A_TIME))
                    .iterator();
        }
        if (!hasNext() || !page.hasNext()) {
            throw new NoSuchElementException("the log of " + departureId + " has no event behind " + after);
        }
        StoredEvent event = page.next();
        after = event.seq();
        return new StreamMessage("log", event.seq(), event.envelope());
    }
}
