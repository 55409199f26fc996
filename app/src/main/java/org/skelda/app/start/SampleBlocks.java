package org.skelda.app.start;

import com.github.f4b6a3.uuid.UuidCreator;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.TreeMap;
import java.util.UUID;
import org.skelda.app.store.DiskSpace;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.core.watch.Subject;
import org.skelda.formats.feed.FeedReader;
import org.skelda.formats.feed.FeedWriter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Where the readings around starts are kept, under their subject, in blocks of a second or less. */
@Repository
class SampleBlocks {
    private final JdbcClient database;
    private final DiskSpace space;

    SampleBlocks(JdbcClient database, DiskSpace space) {
        this.database = database;
        this.space = space;
    }

    /**
     * Readings of one subject in the order of time, at least one. When this returns, they survive the server. @param
     * late whether they came too late to be judged
     */
    void store(
            UUID departureId,
            String operatorId,
            Subject subject,
            StartProfile profile,
            List<Sample> samples,
            boolean late) {
        space.check();
        database.sql("insert into sample_block (id, departure_id, operator_id, subject, first_us, last_us, late, "
                        + "lines) values (?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        UuidCreator.getTimeOrderedEpoch(),
                        departureId,
                        operatorId,
                        subject.toString(),
                        samples.getFirst().at_us(),
                        samples.getLast().at_us(),
                        late,
                        FeedWriter.batch(subject, samples, profile.drive().engine()))
                .update();
    }

    /** What was judged of one subject in a departure within a span, ends included, in the order of time. */
    List<Sample> judged(UUID departureId, Subject subject, StartProfile profile, EngineWatch.Span span) {
        return read(departureId, subject, profile, span, false);
    }

    /** What came too late to be judged, within a span, in the order of time. */
    List<Sample> late(UUID departureId, Subject subject, StartProfile profile, EngineWatch.Span span) {
        return read(departureId, subject, profile, span, true);
    }

    private List<Sample> read(
            UUID departureId, Subject subject, StartProfile profile, EngineWatch.Span span, boolean late) {
        TreeMap<Long, Sample> samples = new TreeMap<>();
        database.sql("select lines from sample_block where departure_id = ? and subject = ? and late = ? and "
                        + "first_us <= ? and last_us >= ? order by first_us")
                .params(departureId, subject.toString(), late, span.to_us(), span.from_us())
                .query(String.class)
                .list()
                .forEach(lines ->
                        FeedReader.read(
                                        lines.getBytes(StandardCharsets.UTF_8),
                                        profile.drive().engine())
                                .stream()
                                .map(line -> line.sample())
                                .filter(sample -> span.holds(sample.at_us()))
                                .forEach(sample -> samples.putIfAbsent(sample.at_us(), sample)));
        return List.copyOf(samples.values());
    }

    /** Subjects of a departure of which anything is kept. */
    List<Subject> subjects(UUID departureId) {
        return database
                .sql("select distinct subject from sample_block where departure_id = ? order by subject")
                .params(departureId)
                .query(String.class)
                .list()
                .stream()
                .map(Subject::parse)
                .toList();
    }
}
