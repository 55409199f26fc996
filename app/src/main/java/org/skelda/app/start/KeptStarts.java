package org.skelda.app.start;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.jspecify.annotations.Nullable;
import org.skelda.core.start.AttemptReport;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartMonitor;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.start.TraceReader;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Starts that are over, with their readings: those of departures, and those from before departures were kept here. */
@Repository
public class KeptStarts {
    private static final int LISTED = 40;
    private static final int LAST = 10;
    private static final long LEAD_IN_us = 2_000_000;
    /** No start takes longer. */
    private static final long LONGEST_us = 20 * 60_000_000L;
    /** The database keeps milliseconds. */
    private static final long SAME_us = 1000;

    private static final String COLUMNS = "select s.id, s.departure_id, s.subject, s.number, s.started_at, s.outcome, "
            + "s.peak_c, s.elevation_ft from start_attempt s ";
    private static final String WITH_READINGS =
            "and (s.departure_id is not null or exists (select 1 from start_readings r where r.attempt_id = s.id)) ";

    private final JdbcClient database;
    private final SampleBlocks blocks;

    KeptStarts(JdbcClient database, SampleBlocks blocks) {
        this.database = database;
        this.blocks = blocks;
    }

    /**
     * A start of which readings are kept.
     *
     * @param id under which it is kept
     * @param departureId null for one from before departures were kept here
     * @param number of the attempt, from 1
     * @param outcome its name in files
     * @param peak_c hottest reading, degC; null where there was none
     * @param elevation_ft of the stand
     */
    public record Row(
            UUID id,
            @Nullable UUID departureId,
            int engine,
            int number,
            Instant startedAt,
            String outcome,
            @Nullable Double peak_c,
            double elevation_ft) {}

    /** @param report as the monitor judges it; @param samples from two seconds before its starter to its end */
    public record Kept(AttemptReport report, List<Sample> samples) {

        /**
         * Of several attempts in one sequence of readings, the one that began at a time.
         *
         * @param startedAt_us on the clock of the samples; within a millisecond
         */
        public static Optional<Kept> of(
                StartProfile profile, double elevation_ft, List<Sample> samples, long startedAt_us) {
            return judged(profile, elevation_ft, samples).stream()
                    .filter(report -> Math.abs(report.startedAt_us() - startedAt_us) <= SAME_us)
                    .findFirst()
                    .map(report -> of(report, samples));
        }

        /** All attempts in a sequence of readings. */
        public static List<Kept> all(StartProfile profile, double elevation_ft, List<Sample> samples) {
            return judged(profile, elevation_ft, samples).stream()
                    .map(report -> of(report, samples))
                    .toList();
        }

        private static List<AttemptReport> judged(StartProfile profile, double elevation_ft, List<Sample> samples) {
            StartMonitor monitor = new StartMonitor(profile, elevation_ft);
            samples.forEach(monitor::accept);
            return monitor.attempts();
        }

        private static Kept of(AttemptReport report, List<Sample> samples) {
            return new Kept(report, KeptStarts.of(report, samples));
        }
    }

    private static List<Sample> of(AttemptReport report, List<Sample> samples) {
        long from_us = report.startedAt_us() - LEAD_IN_us;
        long to_us = report.startedAt_us() + report.lasted().toNanos() / 1000;
        return samples.stream()
                .filter(sample -> sample.at_us() >= from_us && sample.at_us() <= to_us)
                .toList();
    }

    /** Starts of one engine, the newest first. */
    public List<Row> listed(String operatorId, String tail, int engine) {
        return database.sql(COLUMNS + "where s.operator_id = ? and s.tail = ? and s.subject = ? " + WITH_READINGS
                        + "order by s.started_at desc, s.id desc limit " + LISTED)
                .params(operatorId, tail, Subject.engine(engine).toString())
                .query((row, _) -> row(row))
                .list();
    }

    /** The last ten good starts of an engine before a moment, the newest first. */
    public List<Row> lastGood(String operatorId, String tail, int engine, Instant before) {
        return database.sql(COLUMNS + "where s.operator_id = ? and s.tail = ? and s.subject = ? and s.started_at < ? "
                        + "and s.outcome = 'NORMAL' " + WITH_READINGS + "order by s.started_at desc, s.id desc limit "
                        + LAST)
                .params(operatorId, tail, Subject.engine(engine).toString(), Timestamp.from(before))
                .query((row, _) -> row(row))
                .list();
    }

    /** @param tail whose; @param typeId of the type */
    public record Before(String tail, String typeId, Row row) {}

    /** A start from before departures were kept here. */
    public Optional<Before> before(String operatorId, UUID id) {
        return database.sql("select s.id, s.departure_id, s.subject, s.number, s.started_at, s.outcome, s.peak_c, "
                        + "s.elevation_ft, s.tail, s.type_id from start_attempt s where s.operator_id = ? and s.id = ? "
                        + "and s.departure_id is null " + WITH_READINGS)
                .params(operatorId, id)
                .query((row, _) -> new Before(row.getString(9), row.getString(10), row(row)))
                .optional();
    }

    /** The readings of a start; empty when none of it are kept. @param profile of its type */
    public Optional<Kept> of(Row row, StartProfile profile) {
        return row.departureId() == null
                ? past(row, profile)
                : ofDeparture(row.departureId(), row.engine(), row.startedAt(), profile, row.elevation_ft());
    }

    /** The readings of an attempt of a departure; empty when none of it were read, as when it was tapped. */
    public Optional<Kept> ofDeparture(
            UUID departureId, int engine, Instant startedAt, StartProfile profile, double elevation_ft) {
        long at_us = AttemptFacts.micros(startedAt);
        EngineWatch.Span span = new EngineWatch.Span(at_us - LEAD_IN_us - SAME_us, at_us + LONGEST_us);
        List<Sample> samples = blocks.judged(departureId, Subject.engine(engine), profile, span);
        return Kept.of(profile, elevation_ft, samples, at_us);
    }

    private Optional<Kept> past(Row row, StartProfile profile) {
        return database.sql("select content from start_readings where attempt_id = ?")
                .params(row.id())
                .query(byte[].class)
                .optional()
                .flatMap(content -> Kept.all(profile, row.elevation_ft(), samples(content, profile)).stream()
                        .findFirst());
    }

    private static List<Sample> samples(byte[] content, StartProfile profile) {
        try (GZIPInputStream in = new GZIPInputStream(new ByteArrayInputStream(content))) {
            return TraceReader.of("kept start", in).samples(profile);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The trace (CSV, UTF-8) of a start from before departures were kept here, as it is kept. @param samples of it */
    static byte[] trace(StartProfile profile, AttemptReport report, List<Sample> samples) {
        ByteArrayOutputStream trace = new ByteArrayOutputStream();
        try {
            new AttemptTrace(profile, of(report, samples), List.of()).writeTo(trace);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return trace.toByteArray();
    }

    /** Keeps the {@link #trace} of a start. @param id of its numbers */
    void keep(UUID id, byte[] trace) {
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        try (OutputStream out = new GZIPOutputStream(content)) {
            out.write(trace);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        database.sql("insert into start_readings (attempt_id, content) values (?, ?)")
                .params(id, content.toByteArray())
                .update();
    }

    private static Row row(ResultSet row) throws SQLException {
        double peak_c = row.getDouble(7);
        boolean noPeak = row.wasNull();
        return new Row(
                row.getObject(1, UUID.class),
                row.getObject(2, UUID.class),
                Subject.parse(row.getString(3)).number(),
                row.getInt(4),
                row.getTimestamp(5).toInstant(),
                row.getString(6),
                noPeak ? null : (Double) peak_c,
                row.getDouble(8));
    }
}
