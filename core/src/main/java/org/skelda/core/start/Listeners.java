package org.skelda.core.start;

import java.util.Arrays;
import org.skelda.core.limit.Signal;

/** Several watches on one signal, told in the order in which they were attached. */
final class Listeners implements Signal.Listener {
    /** Hears nothing. */
    static final Signal.Listener NOBODY = new Signal.Listener() {
        @Override
        public void line(long from_us, double from, long to_us, double to) {}

        @Override
        public void lost(long at_us) {}
    };

    private Signal.Listener[] all;

    private Listeners(Signal.Listener... first) {
        all = first;
    }

    /** The listener to give the signal so that one more hears it. */
    static Signal.Listener joined(Signal signal, Signal.Listener more) {
        if (signal.listener() instanceof Listeners listeners) {
            listeners.all = Arrays.copyOf(listeners.all, listeners.all.length + 1);
            listeners.all[listeners.all.length - 1] = more;
            return listeners;
        }
        return signal.listener() == NOBODY ? more : new Listeners(signal.listener(), more);
    }

    @Override
    public void line(long from_us, double from, long to_us, double to) {
        for (Signal.Listener listener : all) {
            listener.line(from_us, from, to_us, to);
        }
    }

    @Override
    public void lost(long at_us) {
        for (Signal.Listener listener : all) {
            listener.lost(at_us);
        }
    }
}
