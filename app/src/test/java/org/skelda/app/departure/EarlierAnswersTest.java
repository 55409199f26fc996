package org.skelda.app.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Answers that were kept apart from their events are found with them after an update. */
class EarlierAnswersTest {
    private static final UUID DEPARTURE = UUID.randomUUID();

    private final JdbcDataSource source = new JdbcDataSource();

    private void migrate(String target) {
        Flyway.configure().dataSource(source).target(target).load().migrate();
    }

    @Test
    void eachGoesToItsFirstEventAndRefusalsStay() {
        source.setURL("jdbc:h2:mem:earlier-answers;DB_CLOSE_DELAY=-1");
        migrate("6");
        JdbcClient database = JdbcClient.create(source);
        database.sql("insert into operator values ('vardholm', 'Vardholm Air')").update();
        database.sql("insert into departure values (?, 'vardholm', now())")
                .param(DEPARTURE)
                .update();
        for (int seq = 1; seq <= 5; seq++) {
            database.sql("insert into departure_event values (?, ?, 'vardholm', now(), ?)")
                    .params(DEPARTURE, seq, "event " + seq)
                    .update();
        }
        UUID two = answer(database, "a", 2L, 3L, null);
        UUID one = answer(database, "b", 4L, 4L, null);
        UUID refused = answer(database, "c", null, null, "a problem");

        migrate("latest");

        List<Map<String, Object>> events = database.sql(
                        "select seq, envelope, command_id, request_hash, last_seq from departure_event order by seq")
                .query()
                .listOfRows();
        assertThat(events).extracting(row -> row.get("envelope")).hasSize(5).doesNotContainNull();
        assertThat(events).extracting(row -> row.get("command_id")).containsExactly(null, two, null, one, null);
        assertThat(events)
                .extracting(row -> row.get("request_hash"))
                .containsExactly(null, "a".repeat(64), null, "b".repeat(64), null);
        assertThat(events).extracting(row -> row.get("last_seq")).containsExactly(null, 3L, null, 4L, null);
        assertThat(database.sql("select command_id, problem from command_refused")
                        .query()
                        .listOfRows())
                .singleElement()
                .satisfies(row ->
                        assertThat(row).containsEntry("command_id", refused).containsEntry("problem", "a problem"));
    }

    private static UUID answer(JdbcClient database, String hash, Long first, Long last, String problem) {
        UUID command = UUID.randomUUID();
        database.sql("insert into command_answer values (?, ?, 'vardholm', ?, ?, ?, ?)")
                .params(DEPARTURE, command, hash.repeat(64), first, last, problem)
                .update();
        return command;
    }
}
