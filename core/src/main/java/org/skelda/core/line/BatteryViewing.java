package org.skelda.core.line;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelda.core.electrics.BatteryAdvice;
import org.skelda.core.electrics.BatteryRule;
import org.skelda.core.electrics.ChargeRule;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Measure;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Line;

/** What the volts of a battery mean that a line has read: for this tail, in this air and wind, beside the others. */
final class BatteryViewing {
    private static final String AIR = "oat_c";

    private final Progress progress;

    BatteryViewing(Progress progress) {
        this.progress = progress;
    }

    /** Null for a line that reads no battery. A battery is taken to be as cold as the air. */
    @Nullable
    BatteryAdvice advice(LineRef ref, Line line, double loaded_v) {
        BatteryRule rule =
                line.kind() instanceof Measure measure ? measure.spec().battery() : null;
        return rule == null
                ? null
                : BatteryAdvice.of(rule, loaded_v, air_c())
                        .charging(charge())
                        .in(wind(rule))
                        .beside(besides(ref, rule, loaded_v));
    }

    /** How a charge current falls on this type; null where its document does not tell. */
    private @Nullable ChargeRule charge() {
        return progress.plan().type().measures().values().stream()
                .map(MeasureSpec::charge)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    private @Nullable Double air_c() {
        return progress.value(AIR).orElse(null) instanceof Value.Number(double air_c) ? (Double) air_c : null;
    }

    private BatteryAdvice.@Nullable TailWind wind(BatteryRule rule) {
        MeasureSpec spec =
                rule.wind() == null ? null : progress.plan().type().measures().get(rule.wind());
        Double caution_kt = spec == null ? null : spec.cautionAbove();
        return rule.wind() == null || caution_kt == null
                ? null
                : progress.reading(rule.wind())
                        .map(tail_kt -> new BatteryAdvice.TailWind(tail_kt, caution_kt))
                        .orElse(null);
    }

    /** The other batteries of the same procedure that must do the same, as they were read. */
    private List<BatteryAdvice.Other> besides(LineRef own, BatteryRule rule, double loaded_v) {
        return progress.plan().procedure(own.procedure()).stream()
                .flatMap(procedure -> progress.plan().refs(procedure).stream())
                .filter(ref -> !ref.equals(own))
                .flatMap(ref -> progress.plan().line(ref).stream()
                        .filter(line -> line.kind() instanceof Measure measure
                                && measure.spec().battery() != null
                                && measure.spec().battery().task() == rule.task())
                        .flatMap(line -> Optional.ofNullable(
                                        progress.lines().line(ref).reading())
                                .stream()
                                .map(read -> BatteryAdvice.Other.beside(
                                        line.label(), read.work().value(), loaded_v))))
                .toList();
    }
}
