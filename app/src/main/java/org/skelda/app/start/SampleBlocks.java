package org.skelda.app.start;

import com.github.f4b6a3.uuid.UuidCreator;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.skelda.core.start.Sample;
import org.skelda.core.start.StartProfile;
import org.skelda.formats.feed.FeedLine;
import org.skelda.formats.feed.FeedReader;
import org.skelda.formats.feed.FeedWriter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Where the readings around starts are kept, in blocks of a second or less. */
@Repository
class SampleBlocks {
    private final JdbcClient database;

    SampleBlocks(JdbcClient database) {
        this.database = database;
    }

    /** Readings of one engine in the order of time, at least one. When this returns, they survive the server. @param late whether they came too late to be judged live */
    void store(UUID departureId, String operatorId, int engine, StartProfile profile, List<Sample> samples, boolean late) {
        database.sql("insert into sample_block (id, departure_id, operator_id, engine, first_us, last_us, late, lines) values (?, ?, ?, ?, ?, ?, ?, ?)")
                .params(UuidCreator.getTimeOrderedEpoch(), departureId, operatorId, engine, samples.getFirst().at_us(), samples.getLast().at_us(), late,
                        FeedWriter.batch("engine:" + engine, samples, profile.drive().engine())).update();
    }

    /** What was judged live of one engine in a departure within a span, ends included, in the order of time. */
    List<Sample> judged(UUID departureId, int engine, StartProfile profile, EngineWatch.Span span) {
        return read(departureId, engine, profile, span, false);
    }

    /** What came too late to be judged live, within a span, in the order in which it came. */
    List<Sample> late(UUID departureId, int engine, StartProfile profile, EngineWatch.Span span) {
        return read(departureId, engine, profile, span, true);
    }

    private List<Sample> read(UUID departureId, int engine, StartProfile profile, EngineWatch.Span span, boolean late) {
        List<Sample> samples = new ArrayList<>();
        database.sql("select lines from sample_block where departure_id = ? and engine = ? and late = ? and first_us <= ? and last_us >= ? order by first_us")
                .params(departureId, engine, late, span.to_us(), span.from_us()).query(String.class).list()
                .forEach(lines -> FeedReader.read(lines.getBytes(StandardCharsets.UTF_8), profile.drive().engine()).stream().map(FeedLine::sample)
                        .filter(sample -> sample.at_us() >= span.from_us() && sample.at_us() <= span.to_us()).forEach(samples::add));
        return samples;
    }

    /** Engines of a departure of which anything is kept. */
    List<Integer> engines(UUID departureId) {
        return database.sql("select distinct engine from sample_block where departure_id = ? order by engine").params(departureId).query(Integer.class).list();
    }
}
