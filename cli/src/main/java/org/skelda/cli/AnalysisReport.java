package org.skelda.cli;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.Exceedance;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Finding;
import org.skelda.core.start.Margin;
import org.skelda.core.start.Milestone;
import org.skelda.core.start.Parameter;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.start.TraceAnalysis;

/** What is said of a trace, for people. */
final class AnalysisReport {
    private final StringBuilder text = new StringBuilder();
    private final TraceAnalysis analysis;

    private AnalysisReport(TraceAnalysis analysis) {
        this.analysis = analysis;
    }

    static String of(TraceAnalysis analysis, double oat_c) {
        AnalysisReport report = new AnalysisReport(analysis);
        report.head(oat_c);
        for (int i = 0; i < analysis.attempts().size(); i++) {
            report.attempt(i + 1, analysis.attempts().get(i));
        }
        report.line("");
        return report.text.toString();
    }

    private void line(String format, @Nullable Object... values) {
        text.append(values.length == 0 ? format : String.format(Locale.ROOT, format, values))
                .append(System.lineSeparator());
    }

    private void head(double oat_c) {
        StartProfile profile = analysis.profile();
        int attempts = analysis.attempts().size();
        line("%s: %s, %s", analysis.file(), profile.name(), attempts == 1 ? "1 attempt" : attempts + " attempts");
        StartProfile.Supply.Battery battery = profile.supply().battery();
        if (battery != null) {
            line("  A new, full battery at %.0f °C would dip to about %.1f V.", oat_c, battery.newDipAt(oat_c));
        }
        if (analysis.starterOnAtFirst()) {
            line("  The starter was on in the first row: that start was not seen from its beginning and is not "
                    + "judged.");
        } else if (attempts == 0) {
            line("  The starter never goes on: there is no start in it.");
        }
    }

    private void attempt(int number, AttemptReport attempt) {
        line(
                "  Attempt %d, starter on at %.1f s: %s",
                number, attempt.startedAt_us() / 1e6, attempt.outcome().code());
        line("    Reached    %s", milestones(attempt));
        if (attempt.findings().isEmpty()) {
            line("    Findings   none");
        }
        for (Finding finding : attempt.findings()) {
            line("    %7.1f s  %s, %s. %s", seconds(finding.at()), finding.id(), words(finding), finding.reason());
        }
        for (Exceedance exceedance : attempt.exceedances()) {
            line(
                    "    Exceeded   %.0f °C (allowed %.0f s): above for %.1f s from %.1f s, exceeded at %.1f s, "
                            + "peak %.0f °C",
                    exceedance.limit().value(),
                    seconds(exceedance.limit().allowed()),
                    seconds(exceedance.dwell()),
                    seconds(exceedance.from()),
                    seconds(exceedance.exceededAt()),
                    exceedance.extreme());
        }
        for (AttemptReport.DataGap gap : attempt.gaps()) {
            line(
                    "    No data    %s from %.1f to %.1f s",
                    analysis.columns().get(gap.parameter()), seconds(gap.from()), seconds(gap.to()));
        }
        for (Margin margin : attempt.margins()) {
            line(
                    "    Margin     %-28s %7.1f %-5s limit %.1f, %.1f %s (%s)",
                    margin.what(),
                    margin.value(),
                    margin.unit(),
                    margin.limit(),
                    Math.abs(margin.margin()),
                    margin.margin() < 0 ? "beyond" : "inside",
                    margin.source());
        }
        AttemptReport.Peak peak = attempt.peak();
        if (peak != null) {
            line(
                    "    Peak       %s %.0f °C at %.1f s",
                    analysis.profile().words(Parameter.TEMPERATURE), peak.value_c(), seconds(peak.at()));
        }
    }

    private static String milestones(AttemptReport attempt) {
        List<String> reached = new ArrayList<>();
        for (Milestone milestone : Milestone.values()) {
            attempt.reached(milestone)
                    .ifPresent(
                            at -> reached.add(String.format(Locale.ROOT, "%s %.1f s", milestone.words(), seconds(at))));
        }
        return reached.isEmpty() ? "nothing" : String.join(", ", reached);
    }

    private static String words(Finding finding) {
        return switch (finding.action()) {
            case CUT_FUEL -> "cut the fuel";
            case STOP_STARTER -> "stop the starter";
            case AUTO_STOP -> "the start computer should stop the start";
            case SECOND_MEANS -> "use the second means";
            case KEEP_TURNING -> "keep it turning";
            case ADVISE -> "know this";
        };
    }

    private static double seconds(Duration duration) {
        return duration.toNanos() / 1e9;
    }
}
