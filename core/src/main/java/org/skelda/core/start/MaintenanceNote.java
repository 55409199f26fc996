package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

/** What the crew writes down for maintenance of a start that went wrong, in words and with the numbers. */
final class MaintenanceNote {
    private MaintenanceNote() {}

    static String of(StartProfile profile, AttemptReport attempt) {
        StringBuilder note = new StringBuilder("Write for maintenance: ").append(profile.name());
        attempt.findings().stream()
                .filter(finding -> finding.action() != Action.ADVISE)
                .findFirst()
                .ifPresentOrElse(
                        finding -> note.append(
                                text(", at %.1f s after the starter: %s", seconds(finding.at()), finding.reason())),
                        () -> note.append(", start aborted by the crew."));
        AttemptReport.Peak peak = attempt.peak();
        if (peak != null) {
            note.append(text(" Peak %s %.0f °C.", profile.words(Parameter.TEMPERATURE), peak.value_c()));
        }
        attempt.exceedances()
                .forEach(exceedance -> note.append(text(
                        " Longest above %.0f °C: %.1f s.", exceedance.limit().value(), seconds(exceedance.dwell()))));
        AttemptReport.Remembered figures = attempt.figures();
        if (figures.lowestDuct_kpa() != null) {
            note.append(text(" Lowest duct pressure %.0f kPa.", figures.lowestDuct_kpa()));
        }
        if (figures.dip_v() != null) {
            note.append(text(" Lowest volts %.1f V.", figures.dip_v()));
        }
        return note.append(text(" Starter on for %.0f s.", seconds(figures.starterOn())))
                .toString();
    }

    private static double seconds(java.time.Duration duration) {
        return duration.toNanos() / 1e9;
    }
}
