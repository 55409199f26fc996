package org.skelda.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.start.Switch;

/** Writes samples as a trace. */
final class TraceFile {
    private TraceFile() {}

    static Path write(Path file, StartProfile profile, List<Sample> samples) throws IOException {
        boolean jet = profile.drive().engine() == StartProfile.Engine.JET;
        boolean air = profile.drive().manner() == StartProfile.Manner.BLEED_AIR;
        StringBuilder text = new StringBuilder("# type: " + profile.typeId() + "\n");
        text.append("t_s,")
                .append(jet ? "n2_pct,n1_pct,egt_c" : "ng_pct,np_rpm,itt_c")
                .append(",ff_kgph,oil_kpa,")
                .append(air ? "duct_kpa" : "bus_v")
                .append(",starter,fuel,ignition\n");
        for (Sample sample : samples) {
            text.append(sample.at_us() / 1e6).append(',');
            for (double value : new double[] {
                sample.spool_pct(),
                sample.fan(),
                sample.temperature_c(),
                sample.flow_kgph(),
                sample.oil_kpa(),
                air ? sample.duct_kpa() : sample.bus_v()
            }) {
                text.append(Double.isNaN(value) ? "" : String.format(Locale.ROOT, "%.3f", value))
                        .append(',');
            }
            text.append(told(sample.starter()))
                    .append(',')
                    .append(told(sample.fuel()))
                    .append(',')
                    .append(told(sample.ignition()))
                    .append('\n');
        }
        return Files.writeString(file, text);
    }

    private static String told(Switch position) {
        return position == Switch.UNTOLD ? "" : position == Switch.ON ? "1" : "0";
    }
}
