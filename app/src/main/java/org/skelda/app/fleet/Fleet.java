package org.skelda.app.fleet;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The operator's tails and fields. */
@Repository
public class Fleet {
    private final JdbcClient database;

    Fleet(JdbcClient database) {
        this.database = database;
    }

    /** @param modifications ids of the type's modifications this tail has */
    public record Tail(String registration, String typeId, List<String> modifications) {}

    /** @param latitude_deg north positive; @param longitude_deg east positive; @param elevation_ft of the field */
    public record Airfield(String code, String name, double latitude_deg, double longitude_deg, double elevation_ft) {}

    public void addOperator(String id, String name) {
        database.sql("merge into operator (id, name) key (id) values (?, ?)")
                .params(id, name)
                .update();
    }

    public void add(String operatorId, Tail tail) {
        database.sql("merge into tail (registration, operator_id, type_id, modifications) key (operator_id, "
                        + "registration) values (?, ?, ?, ?)")
                .params(tail.registration(), operatorId, tail.typeId(), String.join(" ", tail.modifications()))
                .update();
    }

    public void add(String operatorId, Airfield field) {
        database.sql("merge into airfield (code, operator_id, name, latitude_deg, longitude_deg, elevation_ft) "
                        + "key (operator_id, code) values (?, ?, ?, ?, ?, ?)")
                .params(
                        field.code(),
                        operatorId,
                        field.name(),
                        field.latitude_deg(),
                        field.longitude_deg(),
                        field.elevation_ft())
                .update();
    }

    /** @throws IllegalArgumentException when the operator has no such tail */
    public Tail tail(String operatorId, String registration) {
        return find(operatorId, registration)
                .orElseThrow(() -> new IllegalArgumentException("there is no tail " + registration));
    }

    /** Registrations of all tails of an operator, in their order. */
    public List<String> tails(String operatorId) {
        return database.sql("select registration from tail where operator_id = ? order by registration")
                .params(operatorId)
                .query(String.class)
                .list();
    }

    /** The types that an operator flies, in their order. */
    public List<String> types(String operatorId) {
        return database.sql("select distinct type_id from tail where operator_id = ? order by type_id")
                .params(operatorId)
                .query(String.class)
                .list();
    }

    /** Registrations of an operator's tails of one type, in their order. */
    public List<String> tailsOf(String operatorId, String typeId) {
        return database.sql("select registration from tail where operator_id = ? and type_id = ? order by registration")
                .params(operatorId, typeId)
                .query(String.class)
                .list();
    }

    /** Codes of all fields of an operator, in their order. */
    public List<String> fields(String operatorId) {
        return database.sql("select code from airfield where operator_id = ? order by code")
                .params(operatorId)
                .query(String.class)
                .list();
    }

    public Optional<Tail> find(String operatorId, String registration) {
        return database.sql("select registration, type_id, modifications from tail where operator_id = ? and "
                        + "registration = ?")
                .params(operatorId, registration)
                .query((row, _) -> new Tail(row.getString(1), row.getString(2), words(row.getString(3))))
                .optional();
    }

    /** @throws IllegalArgumentException when the operator does not know the field */
    public Airfield airfield(String operatorId, String code) {
        return database.sql("select code, name, latitude_deg, longitude_deg, elevation_ft from airfield where "
                        + "operator_id = ? and code = ?")
                .params(operatorId, code)
                .query((row, _) -> new Airfield(
                        row.getString(1), row.getString(2), row.getDouble(3), row.getDouble(4), row.getDouble(5)))
                .optional()
                .orElseThrow(() -> new IllegalArgumentException("there is no airfield " + code));
    }

    private static List<String> words(String text) {
        return text.isBlank() ? List.of() : List.of(text.split(" "));
    }
}
