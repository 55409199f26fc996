package org.skelda.app.departure;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.kind.LineRef;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.procedure.Line;
import org.skelda.core.procedure.PanelMap;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.record.Opening;

/**
 * What the departure desk needs once; the view is what changes.
 *
 * @param typeName the type as people call it
 * @param modifications what differs on this tail, in words
 * @param sealedBy fingerprint of the installation that seals its record
 */
record DeskPage(
        UUID id,
        Opening.Kind kind,
        String tail,
        String typeName,
        String flight,
        String from,
        String to,
        String stand,
        Instant offBlock,
        List<String> modifications,
        String sealedBy,
        List<ProcedureText> procedures,
        List<PanelMap> maps,
        DepartureView view) {

    static DeskPage of(Departure departure, DepartureView view, String sealedBy) {
        Opening opening = departure.opening();
        Plan plan = departure.plan();
        return new DeskPage(
                opening.departureId(),
                opening.kind(),
                opening.tail(),
                plan.type().name(),
                opening.flight(),
                opening.from(),
                opening.to(),
                opening.stand(),
                opening.offBlock(),
                plan.type().modifications(),
                sealedBy,
                plan.procedures().stream().map(ProcedureText::of).toList(),
                List.copyOf(plan.type().maps().values()),
                view);
    }

    /** A procedure's words. @param abnormal whether it is worked only after something went wrong */
    record ProcedureText(
            String id,
            String title,
            Procedure.Style style,
            @Nullable Seat seat,
            int strand,
            String how,
            @Nullable String map,
            boolean abnormal,
            List<LineText> lines) {
        static ProcedureText of(Procedure procedure) {
            return new ProcedureText(
                    procedure.id(),
                    procedure.title(),
                    procedure.style(),
                    procedure.seat(),
                    procedure.strand(),
                    procedure.how(),
                    procedure.map(),
                    procedure.abnormal(),
                    procedure.lines().stream()
                            .map(line -> LineText.of(procedure.ref(line), line))
                            .toList());
        }
    }

    /** How a line is answered. */
    enum LineKind {
        ACTION,
        CHECK,
        MEASURE,
        CHALLENGE,
        READ,
        GATE,
        CAUTION,
        START
    }

    /**
     * A line's words.
     *
     * @param expects what must be set, seen, answered, done or said; for a caution, the hazard; for a measure, its
     *     limits
     * @param measure what a measured line expects; null for other kinds
     * @param responder who answers a challenge; null for other kinds
     * @param splits whether it is the line that splits a checklist
     * @param engine which engine a start line starts; null for other kinds
     */
    record LineText(
            LineRef ref,
            LineKind kind,
            String label,
            String expects,
            @Nullable String zone,
            @Nullable String guards,
            @Nullable String hardToSee,
            @Nullable MeasureSpec measure,
            @Nullable Role responder,
            boolean splits,
            @Nullable Integer engine) {

        static LineText of(LineRef ref, Line line) {
            return switch (line) {
                case Line.Action l -> text(ref, LineKind.ACTION, l, l.setting(), null, null, false);
                case Line.Check l -> text(ref, LineKind.CHECK, l, l.shows(), null, null, false);
                case Line.Measure l -> text(ref, LineKind.MEASURE, l, limits(l.spec()), l.spec(), null, false);
                case Line.Challenge l -> text(ref, LineKind.CHALLENGE, l, l.response(), null, l.responder(), false);
                case Line.Read l -> text(ref, LineKind.READ, l, l.does(), null, null, false);
                case Line.Gate l -> text(ref, LineKind.GATE, l, l.said(), null, null, l.splits());
                case Line.Caution l -> text(ref, LineKind.CAUTION, l, l.hazard(), null, null, false);
                case Line.Start l ->
                    new LineText(
                            ref,
                            LineKind.START,
                            l.label(),
                            l.does(),
                            l.head().zone(),
                            l.head().guards(),
                            l.head().hardToSee(),
                            null,
                            null,
                            false,
                            l.engine());
            };
        }

        private static LineText text(
                LineRef ref,
                LineKind kind,
                Line line,
                String expects,
                @Nullable MeasureSpec measure,
                @Nullable Role responder,
                boolean splits) {
            return new LineText(
                    ref,
                    kind,
                    line.label(),
                    expects,
                    line.head().zone(),
                    line.head().guards(),
                    line.head().hardToSee(),
                    measure,
                    responder,
                    splits,
                    null);
        }

        private static String limits(MeasureSpec spec) {
            String low = spec.min() == null ? null : number(spec.min(), spec);
            String high = spec.max() == null ? null : number(spec.max(), spec);
            if (low != null && high != null) {
                return low + " to " + high + " " + unit(spec);
            }
            if (low != null) {
                return "at least " + low + " " + unit(spec);
            }
            return high == null ? "in " + unit(spec) : "at most " + high + " " + unit(spec);
        }

        /** As people read it. */
        private static String unit(MeasureSpec spec) {
            return spec.unit().equals("degC") ? "°C" : spec.unit();
        }

        private static String number(double value, MeasureSpec spec) {
            return String.format(Locale.ROOT, "%." + spec.decimals() + "f", value);
        }
    }
}
