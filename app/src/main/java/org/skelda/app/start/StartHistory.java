package org.skelda.app.start;

import com.github.f4b6a3.uuid.UuidCreator;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.attempt.AttemptSummary;
import org.skelda.core.departure.Departure;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.BeforeStart;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The numbers of past starts, by tail and engine: what the next one is expected by. */
@Repository
class StartHistory {
    private static final double NANOS_PER_SECOND = 1e9;
    private static final int LAST = 10;
    private static final int LISTED = 200;
    private static final Duration ONE_DEPARTURE = Duration.ofHours(1);
    private static final UUID NO_DEPARTURE = new UUID(0, 0);

    private final JdbcClient database;

    StartHistory(JdbcClient database) {
        this.database = database;
    }

    /** Whose start it was, and where. @param departureId null for one from before departures were kept here */
    record Place(
            @Nullable UUID departureId,
            String operatorId,
            String tail,
            String typeId,
            Subject of,
            int number,
            @Nullable Double oat_c,
            @Nullable Double tailWind_kt,
            double elevation_ft) {

        static Place of(Departure departure, Subject of, int number) {
            var opening = departure.opening();
            return new Place(
                    opening.departureId(),
                    opening.operatorId(),
                    opening.tail(),
                    opening.typeId(),
                    of,
                    number,
                    DayOfStart.oat_c(departure, of.number()),
                    DayOfStart.tailWind_kt(departure, of.number()),
                    opening.elevation_ft());
        }
    }

    /**
     * Keeps an attempt's numbers; the same attempt of a departure again changes nothing.
     *
     * @return the id under which they are kept; empty when they were already
     */
    Optional<UUID> remember(
            Place place, AttemptReport report, List<Sample> samples, StartProfile profile, String sha256) {
        AttemptSummary summary = AttemptSummary.of(report);
        if (place.departureId() != null && isKnown(place.departureId(), place.of(), place.number())) {
            return Optional.empty();
        }
        UUID id = UuidCreator.getTimeOrderedEpoch();
        database.sql("insert into start_attempt (id, departure_id, subject, number, operator_id, tail, type_id, "
                        + "started_at, outcome, oat_c, tail_wind_kt, elevation_ft, supply, "
                        + "dip_v, resistance_mohm, motoring_pct, time_to_light_s, peak_c, time_to_idle_s, "
                        + "flow_at_light_kgph, trace_sha256, samples) "
                        + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(Arrays.asList(
                        id,
                        place.departureId(),
                        place.of().toString(),
                        place.number(),
                        place.operatorId(),
                        place.tail(),
                        place.typeId(),
                        Timestamp.from(AttemptFacts.instant(report.startedAt_us())),
                        summary.outcome(),
                        place.oat_c(),
                        place.tailWind_kt(),
                        place.elevation_ft(),
                        supplyBefore(report, samples, profile),
                        summary.dip_v(),
                        summary.resistance_mohm(),
                        summary.motoring_pct(),
                        seconds(summary.timeToLightOff()),
                        summary.peak_c(),
                        seconds(summary.timeToIdle()),
                        summary.flowAtLightOff_kgph(),
                        sha256,
                        samples.size()))
                .update();
        return Optional.of(id);
    }

    private boolean isKnown(UUID departureId, Subject of, int number) {
        return database.sql("select count(*) from start_attempt where departure_id = ? and subject = ? and number = ?")
                        .params(departureId, of.toString(), number)
                        .query(Long.class)
                        .single()
                > 0;
    }

    static @Nullable Double supplyBefore(AttemptReport report, List<Sample> samples, StartProfile profile) {
        return samples.stream()
                .filter(sample -> sample.at_us() < report.startedAt_us())
                .reduce((_, last) -> last)
                .map(sample -> sample.of(profile.supplyParameter()))
                .filter(value -> !Double.isNaN(value))
                .orElse(null);
    }

    private static @Nullable Double seconds(@Nullable Duration duration) {
        return duration == null ? null : (Double) (duration.toNanos() / NANOS_PER_SECOND);
    }

    /** The last ten good starts of an engine, the newest last. */
    List<BeforeStart.Past> last(String operatorId, String tail, int engine) {
        return last(operatorId, tail, engine, NO_DEPARTURE, Integer.MAX_VALUE);
    }

    /**
     * The same, as it was before an attempt.
     *
     * @param departureId whose attempts from a number on are left out
     * @param before that number
     */
    List<BeforeStart.Past> last(String operatorId, String tail, int engine, UUID departureId, int before) {
        return database.sql("select oat_c, elevation_ft, supply, dip_v, resistance_mohm, time_to_light_s, peak_c, "
                        + "time_to_idle_s, tail_wind_kt from start_attempt "
                        + "where operator_id = ? and tail = ? and subject = ? and outcome = 'NORMAL' "
                        + "and coalesce(departure_id <> ? or number < ?, true) "
                        + "order by started_at desc limit "
                        + LAST)
                .params(operatorId, tail, Subject.engine(engine).toString(), departureId, before)
                .query((row, _) -> new BeforeStart.Past(
                        or(row, 1, 15),
                        row.getDouble(2),
                        maybe(row, 3),
                        maybe(row, 4),
                        maybe(row, 5),
                        maybe(row, 6),
                        maybe(row, 7),
                        maybe(row, 8),
                        maybe(row, 9)))
                .list()
                .reversed();
    }

    /**
     * Which engine of a tail came to idle first when its engines were last started: the first within the hour before
     * the newest good start on record. Empty when nothing is.
     *
     * @param except a departure whose own starts do not count
     */
    Optional<Integer> firstLastTime(String operatorId, String tail, UUID except) {
        return database
                .sql("select subject, started_at from start_attempt where operator_id = ? and tail = ? "
                        + "and outcome = 'NORMAL' and (departure_id is null or departure_id <> ?) "
                        + "order by started_at desc limit "
                        + LAST)
                .params(operatorId, tail, except)
                .query((row, _) -> Map.entry(
                        row.getTimestamp(2).toInstant(),
                        Subject.parse(row.getString(1)).number()))
                .list()
                .stream()
                .reduce((first, next) -> first.getKey().minus(ONE_DEPARTURE).isBefore(next.getKey()) ? next : first)
                .map(Map.Entry::getValue);
    }

    /** Starts that belong to no departure, the newest first. */
    List<PastStarts.StartBefore> before(String operatorId) {
        return database.sql(
                        "select tail, subject, started_at, outcome, peak_c, time_to_light_s, time_to_idle_s, dip_v, id "
                                + "from start_attempt "
                                + "where operator_id = ? and departure_id is null order by started_at desc limit "
                                + LISTED)
                .params(operatorId)
                .query((row, _) -> new PastStarts.StartBefore(
                        row.getObject(9, UUID.class),
                        row.getString(1),
                        Subject.parse(row.getString(2)).number(),
                        row.getTimestamp(3).toInstant(),
                        row.getString(4),
                        maybe(row, 5),
                        maybe(row, 6),
                        maybe(row, 7),
                        maybe(row, 8)))
                .list();
    }

    private static @Nullable Double maybe(ResultSet row, int column) throws SQLException {
        double value = row.getDouble(column);
        return row.wasNull() ? null : (Double) value;
    }

    private static double or(ResultSet row, int column, double otherwise) throws SQLException {
        Double value = maybe(row, column);
        return value == null ? otherwise : value;
    }
}
