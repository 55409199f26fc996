package org.skelda.core.attempt;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Start;
import org.skelda.core.line.Progress;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Refusal;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.procedure.Line;
import org.skelda.core.start.Tap;
import org.skelda.core.start.TappedStart;

/**
 * Decides what a crew tells of a start that nothing reads. What it tells is taken as it is; only what cannot be is
 * refused.
 */
public final class AttemptDeciding {
    private static final Duration LATEST_NEWS = Duration.ofMinutes(15);
    private static final double COLDEST_c = -60;
    private static final double HOTTEST_c = 1400;
    private static final double MOST_v = 40;

    private final Progress progress;
    private final Attempts attempts;
    private final boolean read;
    private final Grounds grounds;

    private AttemptDeciding(Progress progress, Attempts attempts, boolean read, Grounds grounds) {
        this.progress = progress;
        this.attempts = attempts;
        this.read = read;
        this.grounds = grounds;
    }

    /**
     * @param progress of the departure's lines; @param attempts so far; @param read whether a feed reads the aircraft
     */
    public static Decision<AttemptEvent> decide(
            Progress progress, Attempts attempts, boolean read, AttemptAsk ask, Grounds grounds) {
        AttemptDeciding deciding = new AttemptDeciding(progress, attempts, read, grounds);
        return grounds.seated(() -> switch (ask) {
            case AttemptAsk.TapStart tap -> deciding.tap(tap);
            case AttemptAsk.UndoTap undo -> deciding.undo(undo);
            case AttemptAsk.TypeFigures figures -> deciding.type(figures);
        });
    }

    private Decision<AttemptEvent> tap(AttemptAsk.TapStart ask) {
        String engine = engine(ask.engine());
        if (line(ask.engine()).isEmpty()) {
            return Decision.refused(new Refusal.UnknownLine("start of engine " + ask.engine()));
        }
        // A device's clock runs a little ahead now and then; a tap is never later than its acceptance.
        Instant tappedAt = ask.tappedAt().isAfter(grounds.at()) ? grounds.at() : ask.tappedAt();
        if (tappedAt.isBefore(grounds.at().minus(LATEST_NEWS))) {
            return Decision.refused(
                    new Refusal.ImpossibleTime(ask.tappedAt(), grounds.at().minus(LATEST_NEWS), grounds.at()));
        }
        StartRecord newest = newest(ask.engine());
        boolean runs =
                newest != null && newest.tapped() != null && !newest.tapped().ended();
        if (!runs && read) {
            return nothing("Readings of this aircraft arrive. Taps are for a start that nothing reads.");
        }
        boolean prepared = newest != null && newest.isPrepared();
        if (ask.tap() == Tap.STARTER_ON || ask.tap() == Tap.IGNITION_ON && !runs) {
            int number = newest == null ? 1 : newest.number() + (prepared ? 0 : 1);
            return runs && !prepared
                    ? nothing(engine + "'s start runs already.")
                    : grounds.accept(
                            new AttemptEvent.StartTapped(ask.engine(), number, ask.tap(), tappedAt, ask.timed()));
        }
        if (newest == null || newest.tapped() == null || prepared) {
            return nothing(engine + "'s starter has not been told on. Tap that first.");
        }
        String impossible = impossible(ask.tap(), newest.tapped());
        return impossible != null
                ? nothing(engine + impossible)
                : grounds.accept(
                        new AttemptEvent.StartTapped(ask.engine(), newest.number(), ask.tap(), tappedAt, ask.timed()));
    }

    /** As a sentence begins with it. */
    private String engine(int number) {
        String name = progress.plan().engine(number);
        return name.equals("Engine") ? "The engine" : name;
    }

    /** Why a tap cannot follow those before it; null when it can. */
    private static @Nullable String impossible(Tap tap, TappedStart told) {
        if (told.has(tap)) {
            return tap == Tap.FUEL_ON && told.has(Tap.FUEL_OFF)
                    ? " has had its fuel in this start, and it was cut. Fuel again before the engine has stopped "
                            + "can ruin it:"
                            + " work the steps after a cut first."
                    : "'s start has that tap already.";
        }
        boolean afterCut = tap == Tap.FLOW_FALLS || tap == Tap.FLOW_STAYS || tap == Tap.FIRE;
        if (afterCut || tap == Tap.FUEL_OFF) {
            return !told.has(Tap.FUEL_ON)
                    ? " has had no fuel in this start."
                    : afterCut && told.fuel() ? " still has its fuel on." : null;
        }
        if (tap == Tap.IGNITION_OFF) {
            return null;
        }
        if (told.ended()) {
            return "'s start has ended.";
        }
        boolean needsFuel = tap == Tap.LIGHT_OFF
                || tap == Tap.IDLE
                || tap == Tap.NOT_LIT
                || tap == Tap.TOO_HOT
                || tap == Tap.HANGS
                || tap == Tap.SLOW
                || tap == Tap.FLOW_TOO_HIGH;
        return needsFuel && !told.fuel() ? " has no fuel on." : null;
    }

    /** Only the newest tap can be taken back: what came after it rests on it. */
    private Decision<AttemptEvent> undo(AttemptAsk.UndoTap ask) {
        StartRecord newest = newest(ask.engine());
        TappedStart told = newest == null ? null : newest.tapped();
        if (newest == null || told == null || told.last().tap() != ask.tap()) {
            return nothing("That is not the newest tap of engine " + ask.engine() + "'s start.");
        }
        if (line(ask.engine()).filter(progress::complete).isPresent()) {
            return nothing("The line of engine " + ask.engine() + "'s start is done. Take that back first.");
        }
        String reason = ask.reason() == null || ask.reason().isBlank()
                ? null
                : ask.reason().strip();
        if (!told.last().by().equals(grounds.actor().id()) && reason == null) {
            return Decision.refused(new Refusal.ReasonMissing("taking back another person's tap"));
        }
        return grounds.accept(new AttemptEvent.StartTapUndone(ask.engine(), newest.number(), ask.tap(), reason));
    }

    private Decision<AttemptEvent> type(AttemptAsk.TypeFigures ask) {
        StartRecord newest = newest(ask.engine());
        if (newest == null || newest.tapped() == null || newest.summary() == null) {
            return nothing(engine(ask.engine()) + " has no tapped start that has ended.");
        }
        if (ask.peak_c() == null && ask.dip_v() == null) {
            return nothing("No figure was typed.");
        }
        checked("A peak temperature", ask.peak_c(), COLDEST_c, HOTTEST_c, "°C");
        checked("A dip", ask.dip_v(), 0, MOST_v, "V");
        return grounds.accept(
                new AttemptEvent.StartFiguresTyped(ask.engine(), newest.number(), ask.peak_c(), ask.dip_v()));
    }

    private static void checked(String quantity, @Nullable Double value, double min, double max, String unit) {
        if (value != null && !(value >= min && value <= max)) {
            throw new OutOfRange(quantity, value, min, max, unit, "Type what the gauge showed.");
        }
    }

    private @Nullable StartRecord newest(int engine) {
        return attempts.of(engine).isEmpty() ? null : attempts.of(engine).getLast();
    }

    private Optional<LineRef> line(int engine) {
        Predicate<Line> starts = line -> line.kind() instanceof Start start && start.engine() == engine;
        return progress.plan().lines().entrySet().stream()
                .filter(entry -> starts.test(entry.getValue()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private static Decision<AttemptEvent> nothing(String what) {
        return Decision.refused(new Refusal.NothingThere(what));
    }
}
