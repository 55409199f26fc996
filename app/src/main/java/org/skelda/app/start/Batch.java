package org.skelda.app.start;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelda.app.electrics.LiveElectrics;
import org.skelda.core.procedure.Plan;
import org.skelda.core.start.Sample;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedLine;

/**
 * A batch of a feed, sorted by what becomes of each line. Time is each subject's own: no line of one spoils another.
 */
final class Batch {
    private static final long AHEAD_us = 5_000_000;
    private static final long JUMP_us = 60_000_000;

    private final Plan plan;
    private final Function<Subject, Hearing> hearing;
    private final long latest_us;
    private final List<FeedLine> fresh = new ArrayList<>();
    private final Map<Subject, List<Sample>> late = new TreeMap<>();
    private final List<String> flagged = new ArrayList<>();
    private int repeated;
    private int ahead;
    private long farthestAhead_us;
    private long farthestBack_us;

    /**
     * @param plan of the departure, for what its type has
     * @param hearing what was heard of each subject; it learns what this batch holds
     * @param now_us the server's time of its arrival
     * @param speed how many times faster than life the server's clock runs, at least 1
     */
    Batch(Plan plan, Function<Subject, Hearing> hearing, long now_us, double speed) {
        this.plan = plan;
        this.hearing = hearing;
        this.latest_us = now_us + Math.round(AHEAD_us * speed);
    }

    /** What is new of it, in its order. */
    List<FeedLine> fresh() {
        return fresh;
    }

    /** What is not known and older than what is, by its subject. */
    Map<Subject, List<Sample>> late() {
        return late;
    }

    void sort(FeedLine line) {
        flagged.addAll(line.impossible());
        FeedLights.unknown(line, plan).forEach(light -> flagged.add("'" + light + "' is no light of this type"));
        flagged.addAll(LiveElectrics.unknown(line, plan.type().electrics()));
        long at_us = line.sample().at_us();
        if (at_us > latest_us) {
            ahead++;
            farthestAhead_us = Math.max(farthestAhead_us, at_us - latest_us + AHEAD_us);
            return;
        }
        Hearing heard = hearing.apply(line.subject());
        Hearing.Kind kind = heard.kindOf(at_us);
        farthestBack_us =
                kind == Hearing.Kind.LATE ? Math.max(farthestBack_us, heard.newest_us() - at_us) : farthestBack_us;
        switch (kind) {
            case REPEATED -> repeated++;
            case LATE ->
                late.computeIfAbsent(line.subject(), _ -> new ArrayList<>()).add(line.sample());
            case NEW -> fresh.add(line);
        }
        heard.know(at_us);
    }

    LiveStarts.Counts counts() {
        return new LiveStarts.Counts(
                fresh.size(),
                repeated,
                late.values().stream().mapToInt(List::size).sum(),
                ahead,
                0,
                flagged,
                clock());
    }

    /** What is to be told of the feed's clock; null while it goes on as it should. */
    private @Nullable String clock() {
        if (ahead > 0) {
            return ahead + " readings up to " + words(farthestAhead_us) + " ahead of the server's clock were left out";
        }
        return farthestBack_us > JUMP_us ? "its clock went back by " + words(farthestBack_us) : null;
    }

    private static String words(long us) {
        long s = Math.round(us / 1e6);
        return s < 120 ? s + " s" : s / 60 + " min";
    }
}
