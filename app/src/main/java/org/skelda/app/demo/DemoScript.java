package org.skelda.app.demo;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Plan;

/**
 * The data of one operator of the demo, as its document has it.
 *
 * @param news of every departure's day, by who tells it: a number, or yes or no, by the fact's name
 * @param readings that the scripted crews type, by type and line; by line and tail where a tail differs
 * @param choices that they make, by line
 * @param heard what they hear, by line
 */
record DemoScript(
        Operator operator,
        List<CrewMember> crew,
        List<Field> airfields,
        List<TailRow> tails,
        Map<FactEvent.Source, Map<String, Object>> news,
        Map<String, Map<String, Double>> readings,
        Map<String, String> choices,
        Map<String, Map<String, String>> heard,
        List<Leg> day) {

    /** Those of some facts that a plan asks for. */
    static Map<DayFact, Value> facts(Map<String, Object> facts, Plan plan) {
        Map<DayFact, Value> known = new LinkedHashMap<>();
        facts.forEach((id, value) -> {
            if (!plan.asking(id).isEmpty()) {
                known.put(
                        DayFact.named(id).orElseThrow(),
                        value instanceof Boolean yes
                                ? new Value.YesNo(yes)
                                : new Value.Number(((Number) value).doubleValue()));
            }
        });
        return known;
    }

    record Operator(String id, String name) {}

    /** @param administrator whether the person issues feed tokens; @param standards whether the person sets schools */
    record CrewMember(String account, String name, String duty, boolean administrator, boolean standards) {}

    record Field(String code, String name, double latitude_deg, double longitude_deg, double elevation_ft) {}

    /** @param engines how many it has; @param schools that count for it alone, by option; null for none */
    record TailRow(
            String registration,
            String type,
            int engines,
            List<String> modifications,
            @Nullable Map<String, String> schools) {}

    /**
     * One departure of the day.
     *
     * @param offBlockIn_min minutes from now, negative in the past
     * @param left account name of who sits there; null when nobody has begun
     * @param right the same for the right seat
     * @param begunBefore_min minutes before now at which the work began
     * @param paceOfLine_s seconds the scripted crew takes for a line
     * @param signed whether it was worked to the end and signed
     * @param upTo the line it was worked up to, not included; null to work until now
     * @param heldBecause why the left seat's procedure is on hold; null when it is not
     */
    record Leg(
            String tail,
            String flight,
            String from,
            String to,
            String stand,
            int offBlockIn_min,
            @Nullable String left,
            @Nullable String right,
            int begunBefore_min,
            int paceOfLine_s,
            boolean signed,
            @Nullable String heldBecause,
            @Nullable String upTo) {}
}
