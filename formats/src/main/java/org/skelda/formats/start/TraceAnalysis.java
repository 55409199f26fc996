package org.skelda.formats.start;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;

/**
 * What a trace shows, judged by the same monitor as a live start.
 *
 * @param file as given
 * @param profile that it was judged by
 * @param attempts in their order
 * @param columns the name of each parameter's column
 * @param starterOnAtFirst whether the starter was on in the first row, so that this start was not judged
 */
public record TraceAnalysis(
        String file,
        StartProfile profile,
        List<AttemptReport> attempts,
        Map<Parameter, String> columns,
        boolean starterOnAtFirst) {

    /**
     * Reads and judges a trace.
     *
     * @param file its name, for messages
     * @param in its bytes
     * @param type that was asked for; null to take the one that the trace names
     * @param elevation_ft of the stand
     * @throws InvalidTrace when it cannot be used
     * @throws IOException when it cannot be read
     */
    public static TraceAnalysis of(String file, InputStream in, @Nullable String type, double elevation_ft)
            throws IOException {
        TraceReader reader = TraceReader.of(file, in);
        return of(file, reader, profile(file, reader, type), elevation_ft);
    }

    static TraceAnalysis of(String file, TraceReader reader, StartProfile profile, double elevation_ft) {
        StartMonitor monitor = new StartMonitor(profile, elevation_ft);
        Feeding feeding = new Feeding(monitor);
        TraceColumns columns = reader.read(profile, feeding);
        monitor.advanceTo(feeding.last_us + 1); // What falls due at the last sample itself.
        Map<Parameter, String> names = new java.util.EnumMap<>(Parameter.class);
        for (Parameter parameter : Parameter.values()) {
            names.put(parameter, columns.name(parameter));
        }
        return new TraceAnalysis(file, profile, monitor.attempts(), names, feeding.starterOnAtFirst);
    }

    private static StartProfile profile(String file, TraceReader reader, @Nullable String type) {
        String wanted = type != null ? type : reader.type().orElse(null);
        if (wanted == null) {
            throw new InvalidTrace(
                    file,
                    0,
                    "no type; give --type or a comment line '# type: ...' before the header, one of "
                            + String.join(", ", StartProfiles.TYPES));
        }
        try {
            return StartProfiles.of(wanted);
        } catch (IllegalArgumentException e) {
            throw new InvalidTrace(file, type != null ? 0 : reader.typeLine(), String.valueOf(e.getMessage()));
        }
    }

    private static final class Feeding implements java.util.function.Consumer<org.skelda.core.start.Sample> {
        private final StartMonitor monitor;
        private boolean starterOnAtFirst;
        private boolean any;
        private long last_us;

        Feeding(StartMonitor monitor) {
            this.monitor = monitor;
        }

        @Override
        public void accept(org.skelda.core.start.Sample sample) {
            if (!any) {
                starterOnAtFirst = sample.starter() == org.skelda.core.start.Switch.ON;
                any = true;
            }
            last_us = sample.at_us();
            monitor.accept(sample);
        }
    }
}
