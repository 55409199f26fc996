package org.skelda.e2e;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** A crew that works lines over HTTP as they come, each kind in its own way, where a journey looks at others. */
final class ApiCrew {
    private static final int MOST_ROUNDS = 1500;
    private static final Map<String, String[]> SIMULATED_APU = Map.of(
            "MASTER_ON", new String[] {"apu/master", "on"},
            "START", new String[] {"apu/start", "on"},
            "GENERATOR_ON", new String[] {"apu/generator", "on"},
            "AIR_ON", new String[] {"apu/bleed", "on"},
            "AIR_OFF", new String[] {"apu/bleed", "off"},
            "MASTER_OFF", new String[] {"apu/master", "off"});

    private static final Map<String, String[]> SIMULATED_UNITS = Map.of(
            "ON", new String[] {"mode", "align"},
            "POSITION", new String[] {"position", ""},
            "NAVIGATION", new String[] {"mode", "navigation"},
            "OFF", new String[] {"mode", "off"});

    private final String departureId;
    private final Map<String, ApiClient> seats = new HashMap<>();
    private final Map<String, String> choices = new HashMap<>();
    private final Map<String, String> own = new HashMap<>();

    ApiCrew(String departureId) {
        this.departureId = departureId;
    }

    /** @param seat {@code LEFT} or {@code RIGHT}, which the person holds or takes */
    ApiCrew with(String seat, ApiClient person) {
        seats.put(seat, person);
        return this;
    }

    /** Chooses this answer where a decision is asked for; the first one elsewhere. */
    ApiCrew choosing(String line, String answer) {
        choices.put(line, answer);
        return this;
    }

    /** What this aircraft's instruments show, where it is not what the others' show. */
    ApiCrew reads(Map<String, String> readings) {
        own.putAll(readings);
        return this;
    }

    private String shown(JsonNode text) {
        String label = text.path("label").asString();
        return own.containsKey(label) ? own.get(label) : DeskOfDeparture.reading(label);
    }

    ApiCrew takeSeat(String seat, String role) {
        client(seat).command(departureId, seq(), "TAKE_SEAT", "\"seat\":\"" + seat + "\",\"role\":\"" + role + "\"");
        return this;
    }

    private ApiClient client(String seat) {
        ApiClient client = seats.get(seat);
        return client == null ? seats.values().iterator().next() : client;
    }

    private long seq() {
        return page().path("view").path("seq").longValue();
    }

    JsonNode page() {
        return seats.values().iterator().next().get("/api/departures/" + departureId);
    }

    /** Works everything that can be worked of some procedures; waits for clocks. */
    void work(String... procedures) {
        List<String> wanted = List.of(procedures);
        for (int round = 0; round < MOST_ROUNDS; round++) {
            JsonNode page = page();
            JsonNode next = next(page, wanted);
            if (next == null) {
                if (settled(page, wanted)) {
                    return;
                }
                TestServer.pause(60);
                continue;
            }
            answer(page, next);
        }
        JsonNode page = page();
        throw new AssertionError("not done: "
                + wanted.stream()
                        .flatMap(id -> view(page, id).path("lines").values().stream())
                        .filter(line -> line.path("state").asString().equals("OPEN"))
                        .map(line -> line.path("ref").asString() + " "
                                + line.path("gate").path("waits"))
                        .toList());
    }

    /** Every line of a needed procedure on which something is still to be done. */
    List<String> open() {
        return page().path("view").path("procedures").values().stream()
                .filter(procedure -> !procedure.path("state").asString().equals("NOT_NEEDED"))
                .flatMap(procedure -> procedure.path("lines").values().stream())
                .filter(line -> !List.of("DONE", "DEVIATED", "NOT_NEEDED")
                        .contains(line.path("state").asString()))
                .map(line -> line.path("ref").asString())
                .toList();
    }

    /** Works a procedure up to a line, which stays open. */
    void workTo(String procedure, String ref) {
        for (int round = 0; round < MOST_ROUNDS; round++) {
            JsonNode page = page();
            JsonNode next = next(page, List.of(procedure));
            if (next == null) {
                TestServer.pause(60);
            } else if (next.path("ref").asString().equals(ref)) {
                return;
            } else {
                answer(page, next);
            }
        }
        throw new AssertionError(ref + " was not reached");
    }

    private static JsonNode next(JsonNode page, List<String> wanted) {
        for (String id : wanted) {
            JsonNode view = view(page, id);
            if (view.has("next")) {
                return line(view, view.path("next").asString());
            }
            for (JsonNode line : view.path("lines").values()) {
                boolean asks = StreamSupport.stream(
                                line.path("gate").path("waits").values().spliterator(), false)
                        .anyMatch(wait -> wait.path("kind").asString().equals("FACT"));
                if (asks || line.path("state").asString().equals("RESPONDED")) {
                    return line;
                }
            }
        }
        return null;
    }

    private static boolean settled(JsonNode page, List<String> wanted) {
        return wanted.stream()
                .map(id -> view(page, id).path("state").asString())
                .allMatch(state -> state.equals("DONE") || state.equals("NOT_NEEDED"));
    }

    private static JsonNode view(JsonNode page, String procedure) {
        return find(page.path("view").path("procedures"), "id", procedure);
    }

    private static JsonNode line(JsonNode procedure, String ref) {
        return find(procedure.path("lines"), "ref", ref);
    }

    private static JsonNode find(JsonNode nodes, String key, String value) {
        return nodes.values().stream()
                .filter(node -> node.path(key).asString().equals(value))
                .findFirst()
                .orElseThrow(() -> new AssertionError("there is no " + value));
    }

    /** What a line does to the APU is done to the simulated one; the line opens once its readings show it. */
    private void moveSimulatedApu(JsonNode page, String tap) {
        String[] move = SIMULATED_APU.get(tap);
        if (move == null) {
            // It comes by itself; its readings will show it.
            TestServer.pause(60);
            return;
        }
        client("LEFT")
                .command(
                        departureId,
                        page.path("view").path("seq").longValue(),
                        "TAP_CONTROL",
                        "\"control\":\"" + move[0] + "\",\"position\":\"" + move[1] + "\"");
        TestServer.pause(150);
    }

    /** A position is entered at the units' desk, or in the simulated ones. */
    private void tellUnits(JsonNode page, String tap) {
        JsonNode units = page.path("view").path("units");
        if (units.path("read").asBoolean()) {
            String[] move = SIMULATED_UNITS.get(tap);
            String position = tap.equals("POSITION") ? units.path("stand").asString() : move[1];
            client("LEFT")
                    .command(
                            departureId,
                            page.path("view").path("seq").longValue(),
                            "TAP_CONTROL",
                            "\"control\":\"inertial/all/" + move[0] + "\",\"position\":\"" + position + "\"");
            TestServer.pause(150);
            return;
        }
        client("LEFT")
                .command(
                        departureId,
                        page.path("view").path("seq").longValue(),
                        "TELL_UNITS",
                        "\"tap\":\"" + tap + "\",\"position\":" + units.path("stand") + ",\"tappedAt\":"
                                + page.path("view").path("at"));
    }

    /** A day on which nothing that is asked for is so, and what is measured is a small number. */
    private static String given(JsonNode fact) {
        return "\"fact\":" + fact.path("id")
                + (fact.path("kind").asString().equals("NUMBER")
                        ? ",\"number\":9,\"unit\":" + fact.path("unit")
                        : ",\"yes\":false");
    }

    private void answer(JsonNode page, JsonNode view) {
        String ref = view.path("ref").asString();
        JsonNode text = line(find(page.path("procedures"), "id", ref.split("/")[0]), ref);
        for (JsonNode wait : view.path("gate").path("waits").values()) {
            if (wait.path("kind").asString().equals("FACT")) {
                client("LEFT")
                        .command(
                                departureId,
                                page.path("view").path("seq").longValue(),
                                "GIVE_FACT",
                                given(find(
                                        page.path("view").path("facts"),
                                        "id",
                                        wait.path("fact").asString())));
                return;
            }
        }
        for (JsonNode wait : view.path("gate").path("waits").values()) {
            if (wait.path("kind").asString().equals("APU_AT_HAND")) {
                moveSimulatedApu(page, text.path("marks").path("apu").asString());
                return;
            }
            if (wait.path("kind").asString().equals("UNITS_AT_HAND")) {
                tellUnits(page, text.path("marks").path("inertial").asString());
                return;
            }
        }
        if (view.path("state").asString().equals("RESPONDED")) {
            String by = view.path("answered").path("by").path("id").asString();
            ask(page, other(page, by), ref, "CONFIRM", "");
            return;
        }
        JsonNode detail = text.path("detail");
        String seat = seat(page, text);
        switch (text.path("kind").asString()) {
            case "MEASURE" ->
                ask(
                        page,
                        seat,
                        ref,
                        "MEASURE",
                        "\"value\":"
                                + (detail.path("measure").has("charge") && view.has("reading")
                                        ? DeskOfDeparture.fallen(shown(text))
                                        : shown(text))
                                + ",\"unit\":"
                                + detail.path("measure").path("unit"));
            case "COMPARE" -> {
                List<String> values = new ArrayList<>();
                detail.path("compare").path("of").values().forEach(_ -> values.add(shown(text)));
                ask(
                        page,
                        seat,
                        ref,
                        "COMPARE",
                        "\"values\":" + values + ",\"unit\":"
                                + detail.path("measure").path("unit"));
            }
            case "CHALLENGE" -> {
                if (detail.has("measure")) {
                    ask(
                            page,
                            seat,
                            ref,
                            "SAY",
                            "\"value\":" + shown(text) + ",\"unit\":"
                                    + detail.path("measure").path("unit"));
                } else {
                    ask(page, seat, ref, "ANSWER", "");
                }
            }
            case "DECISION" ->
                ask(
                        page,
                        seat,
                        ref,
                        "CHOOSE",
                        "\"choice\":\""
                                + choices.getOrDefault(
                                        ref,
                                        detail.path("choices")
                                                .path(0)
                                                .path("id")
                                                .asString())
                                + "\"");
            case "COMMUNICATION" -> {
                if (detail.path("heard").path("values").isEmpty()) {
                    ask(page, seat, ref, "ANSWER", "");
                } else {
                    List<String> heard = new ArrayList<>();
                    detail.path("heard")
                            .path("values")
                            .values()
                            .forEach(one -> heard.add("\"" + one.path("id").asString() + "\":\"" + heard(one) + "\""));
                    ask(page, seat, ref, "HEAR", "\"values\":{" + String.join(",", heard) + "}");
                }
            }
            case "CONTROL_CHECK" -> position(page, seat, ref, detail, view);
            case "INDICATIONS" -> group(page, seat, ref, view);
            default -> ask(page, seat, ref, "ANSWER", text.path("marks").has("control") ? "\"agreed\":true" : "");
        }
    }

    private void position(JsonNode page, String seat, String ref, JsonNode detail, JsonNode view) {
        for (JsonNode axis : detail.path("axes").values()) {
            for (JsonNode position : axis.path("positions").values()) {
                boolean seen = view.path("work").path("axes").values().stream()
                        .filter(one -> one.path("axis").equals(axis.path("id")))
                        .flatMap(one -> one.path("seen").values().stream())
                        .anyMatch(one -> one.equals(position));
                if (!seen) {
                    ask(
                            page,
                            seat,
                            ref,
                            "SEE_POSITION",
                            "\"axis\":" + axis.path("id") + ",\"position\":" + position + ",\"right\":true");
                    return;
                }
            }
        }
    }

    private void group(JsonNode page, String seat, String ref, JsonNode view) {
        view.path("work").path("test").path("groups").values().stream()
                .filter(one -> !one.path("complete").booleanValue())
                .findFirst()
                .ifPresent(one -> ask(
                        page,
                        seat,
                        ref,
                        "SEE_GROUP",
                        "\"phase\":" + one.path("phase") + ",\"group\":" + one.path("group")));
    }

    private static String heard(JsonNode value) {
        if (!value.path("pick").isEmpty()) {
            return value.path("pick").path(0).asString();
        }
        return value.has("example")
                ? value.path("example").asString()
                : value.has("min") ? value.path("min").toString() : "as told";
    }

    /** Whose line it is: the one who answers a challenge, hears a callout, or bears its mark. */
    private static String seat(JsonNode page, JsonNode text) {
        String role = text.path("marks").path("by").asString("");
        if (text.path("detail").has("role")) {
            role = text.path("detail").path("role").asString();
            if (text.path("kind").asString().equals("CALLOUT")) {
                role = role.equals("FLYING") ? "MONITORING" : "FLYING";
            }
        }
        String wanted = role;
        return page.path("view").path("seats").values().stream()
                .filter(seat -> seat.path("role").asString().equals(wanted))
                .map(seat -> seat.path("seat").asString())
                .findFirst()
                .orElse("LEFT");
    }

    private static String other(JsonNode page, String personId) {
        return page.path("view").path("seats").values().stream()
                .filter(seat -> !seat.path("person").path("id").asString().equals(personId))
                .map(seat -> seat.path("seat").asString())
                .findFirst()
                .orElse("RIGHT");
    }

    private void ask(JsonNode page, String seat, String ref, String ask, String fields) {
        ApiClient.Answer answer = client(seat)
                .command(
                        departureId,
                        page.path("view").path("seq").longValue(),
                        ask,
                        "\"line\":\"" + ref + "\"" + (fields.isEmpty() ? "" : "," + fields));
        if (answer.status() != 200 && answer.status() != 409) {
            throw new AssertionError(ref + ": " + answer.body());
        }
    }
}
