package org.skelda.bench.start;

import java.awt.BasicStroke;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.knowm.xchart.BitmapEncoder;
import org.knowm.xchart.XYChart;
import org.knowm.xchart.XYChartBuilder;
import org.knowm.xchart.XYSeries;
import org.knowm.xchart.style.lines.SeriesLines;
import org.knowm.xchart.style.markers.SeriesMarkers;
import org.skelda.bench.start.RecordedStarts.Recorded;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.ExponentialApproach;
import org.skelda.core.start.FindingId;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.Switch;

/** Draws a hot and a normal start with what the curve said. */
final class ForecastPicture {
    private static final double EVERY_s = 2;
    private static final double AHEAD_s = 4;
    private static final Color LIMIT = new Color(0xA3, 0x1F, 0x1F);
    private static final Color CURVE = new Color(0x00, 0x5F, 0x63);
    private static final Color NORMAL = new Color(0x7A, 0x74, 0x68);

    private ForecastPicture() {}

    static void draw(List<Recorded> all, Path folder) throws IOException {
        Recorded hot = all.stream()
                .filter(start -> start.heldOut()
                        && start.isHot()
                        && start.profile().typeId().equals("HAVERN-2M"))
                .findFirst()
                .orElseThrow();
        Recorded normal = all.stream()
                .filter(start -> start.heldOut()
                        && !start.isHot()
                        && start.profile().typeId().equals("HAVERN-2M"))
                .findFirst()
                .orElseThrow();
        XYChart chart = new XYChartBuilder()
                .width(1200)
                .height(680)
                .title("A hot start and a normal one, Havern 2M (made up)")
                .xAxisTitle("seconds since light-off")
                .yAxisTitle("EGT, degC")
                .build();
        chart.getStyler()
                .setXAxisMin(-3.0)
                .setXAxisMax(26.0)
                .setYAxisMin(0.0)
                .setYAxisMax(900.0)
                .setMarkerSize(9);
        chart.getStyler().setLegendPosition(org.knowm.xchart.style.Styler.LegendPosition.OutsideS);
        chart.getStyler().setLegendLayout(org.knowm.xchart.style.Styler.LegendLayout.Horizontal);
        chart.getStyler().setChartBackgroundColor(Color.WHITE);
        line(chart, "limit, never above", List.of(-3.0, 26.0), List.of(735.0, 735.0), LIMIT, false);
        line(chart, "limit, for at most 10 s", List.of(-3.0, 26.0), List.of(690.0, 690.0), LIMIT, true);
        start(chart, "hot", hot, Color.BLACK);
        start(chart, "normal", normal, NORMAL);
        BitmapEncoder.saveBitmap(chart, folder.resolve("forecast.png").toString(), BitmapEncoder.BitmapFormat.PNG);
    }

    private static void start(XYChart chart, String name, Recorded start, Color colour) {
        StartMonitor monitor = new StartMonitor(start.profile(), start.elevation_ft());
        start.samples().forEach(monitor::accept);
        AttemptReport report = monitor.attempts().getFirst();
        double light = report.startedAt_us() / 1e6
                + report.milestones().get(Milestone.LIGHT_OFF).toNanos() / 1e9;
        List<Double> times = new ArrayList<>();
        List<Double> values = new ArrayList<>();
        ExponentialApproach curve = new ExponentialApproach();
        double drawn = 0;
        boolean named = false;
        for (Sample sample : start.samples()) {
            double t = sample.at_us() / 1e6 - light;
            times.add(t);
            values.add(sample.temperature_c());
            if (t < -1e-6) {
                continue;
            }
            curve.read(sample.at_us(), sample.temperature_c());
            if (curve.isReady() && t - drawn >= EVERY_s && sample.fuel() == Switch.ON && t < 22) {
                drawn = t;
                ahead(chart, named ? null : "4 s ahead, " + name, curve, t);
                named = true;
            }
        }
        line(chart, name + " start", times, values, colour, false);
        report.findings().stream()
                .filter(finding -> finding.id() == FindingId.HOT_PREDICTED)
                .findFirst()
                .ifPresent(finding -> {
                    double called = report.startedAt_us() / 1e6 + finding.at().toNanos() / 1e9 - light;
                    XYSeries mark = chart.addSeries("called", new double[] {called}, new double[] {
                        values.get(times.indexOf(nearest(times, called)))
                    });
                    mark.setMarker(SeriesMarkers.DIAMOND).setMarkerColor(LIMIT).setLineColor(Color.WHITE);
                });
    }

    private static Double nearest(List<Double> times, double at) {
        return times.stream()
                .min(java.util.Comparator.comparing(t -> Math.abs(t - at)))
                .orElseThrow();
    }

    private static void ahead(XYChart chart, String name, ExponentialApproach curve, double t) {
        List<Double> times = new ArrayList<>();
        List<Double> values = new ArrayList<>();
        for (double ahead = 0; ahead <= AHEAD_s; ahead += 0.1) {
            times.add(t + ahead);
            values.add(curve.at(ahead));
        }
        line(chart, name, times, values, CURVE, true);
    }

    private static void line(XYChart chart, String name, List<Double> x, List<Double> y, Color colour, boolean dashed) {
        XYSeries series =
                chart.addSeries(name == null ? "curve " + chart.getSeriesMap().size() : name, x, y);
        series.setMarker(SeriesMarkers.NONE).setLineColor(colour).setLineWidth(dashed ? 1.4f : 2f);
        series.setShowInLegend(name != null);
        series.setLineStyle(SeriesLines.SOLID);
        if (dashed) {
            series.setLineStyle(
                    new BasicStroke(1.4f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND, 10, new float[] {5, 4}, 0));
        }
    }
}
