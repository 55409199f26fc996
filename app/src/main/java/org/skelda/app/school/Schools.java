package org.skelda.app.school;

import com.github.f4b6a3.uuid.UuidCreator;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Person;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.Plan;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What an operator's standards office has set. Nothing is overwritten: the newest setting of each counts. */
@Repository
public class Schools {
    private final JdbcClient database;

    Schools(JdbcClient database) {
        this.database = database;
    }

    /**
     * One setting.
     *
     * @param tail the one tail it is for; null for every tail of the type
     * @param why as the office gave it
     */
    public record Set(
            UUID id,
            String typeId,
            @Nullable String tail,
            String option,
            String school,
            Person by,
            Instant at,
            String why) {}

    /** Sets a school. It counts from the next departure on that is opened. */
    @Transactional
    public void set(
            String operatorId,
            String typeId,
            @Nullable String tail,
            String option,
            String school,
            Person by,
            Instant at,
            String why) {
        database.sql("insert into school_set values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .param(UuidCreator.getTimeOrderedEpoch())
                .param(operatorId)
                .param(typeId)
                .param(tail)
                .param(option)
                .param(school)
                .param(by.id())
                .param(by.name())
                .param(Timestamp.from(at))
                .param(why)
                .update();
    }

    /** Every setting for a type, newest first. */
    public List<Set> history(String operatorId, String typeId) {
        return database.sql("select id, type_id, registration, option_id, school, person_id, person_name, at, why "
                        + "from school_set where operator_id = ? and type_id = ? order by at desc, id desc")
                .params(operatorId, typeId)
                .query((row, _) -> new Set(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        new Person(row.getString(6), row.getString(7)),
                        row.getTimestamp(8).toInstant(),
                        row.getString(9)))
                .list();
    }

    /**
     * The school of every option of a plan for one tail: what is set for the tail, else for its type, else as the
     * document has it. What is set and is no school of the document any more does not count.
     */
    public Map<String, String> of(String operatorId, String tail, Plan plan) {
        Map<String, String> schools = new HashMap<>();
        List<Set> history = history(operatorId, plan.type().id());
        for (Option option : plan.options().values()) {
            schools.put(
                    option.id(),
                    newest(history, option, tail)
                            .or(() -> newest(history, option, null))
                            .orElse(option.set()));
        }
        return schools;
    }

    private static Optional<String> newest(List<Set> history, Option option, @Nullable String tail) {
        return history.stream()
                .filter(set -> set.option().equals(option.id()) && Objects.equals(set.tail(), tail))
                .map(Set::school)
                .filter(option.ids()::contains)
                .findFirst();
    }
}
