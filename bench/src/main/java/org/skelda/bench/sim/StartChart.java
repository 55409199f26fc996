package org.skelda.bench.sim;

import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.knowm.xchart.BitmapEncoder;
import org.knowm.xchart.XYChart;
import org.knowm.xchart.XYChartBuilder;
import org.knowm.xchart.XYSeries;
import org.knowm.xchart.style.Styler;
import org.knowm.xchart.style.lines.SeriesLines;
import org.knowm.xchart.style.markers.SeriesMarkers;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.sim.aircraft.SimulatedStart;

/** One picture of docs/simulation.md: up to four lines, their names below. */
final class StartChart {
    private static final Color[] COLOURS = {
        Color.BLACK, new Color(0x00, 0x5F, 0x63), new Color(0xA3, 0x1F, 0x1F), new Color(0x7A, 0x74, 0x68)
    };

    private final XYChart chart;

    StartChart(String title, String x, String y) {
        chart = new XYChartBuilder()
                .width(760)
                .height(400)
                .title(title)
                .xAxisTitle(x)
                .yAxisTitle(y)
                .build();
        chart.getStyler()
                .setLegendPosition(Styler.LegendPosition.OutsideS)
                .setLegendLayout(Styler.LegendLayout.Horizontal)
                .setChartBackgroundColor(Color.WHITE);
        chart.getStyler().setXAxisDecimalPattern("#0.#");
    }

    /** A value of each reading over the seconds since the starter. @param colour 0 to 3 */
    void line(String name, List<Sample> samples, ToDoubleFunction<Sample> value, int colour) {
        double[] t = samples.stream()
                .mapToDouble(sample -> sample.at_us() / 1e6 - SimulatedStart.LEAD_IN_s)
                .toArray();
        add(name, t, samples.stream().mapToDouble(value).toArray(), colour);
    }

    /** What every start is looked at by. */
    void spoolAndTemperature(StartProfile profile, List<Sample> samples) {
        StartProfile.Engine engine = profile.drive().engine();
        line(engine.spool() + ", %", samples, Sample::spool_pct, 0);
        line(engine.temperature() + ", 10 degC", samples, sample -> sample.temperature_c() / 10, 2);
    }

    /** @param colour 0 to 3 */
    void add(String name, double[] x, double[] y, int colour) {
        XYSeries series = chart.addSeries(name, x, y);
        series.setMarker(SeriesMarkers.NONE)
                .setLineStyle(SeriesLines.SOLID)
                .setLineColor(COLOURS[colour])
                .setLineWidth(1.8f);
    }

    void save(Path folder, String name) throws IOException {
        BitmapEncoder.saveBitmap(chart, folder.resolve(name).toString(), BitmapEncoder.BitmapFormat.PNG);
    }
}
