package org.skelda.app.departure;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.crew.Seat;
import org.skelda.core.departure.Departure;
import org.skelda.core.departure.DepartureView;
import org.skelda.core.procedure.PanelMap;
import org.skelda.core.procedure.Plan;
import org.skelda.core.procedure.Procedure;
import org.skelda.core.procedure.TypeSheet;
import org.skelda.core.record.Opening;

/**
 * What the departure desk needs once; the view is what changes.
 *
 * @param typeName the type as people call it
 * @param modifications what differs on this tail, in words
 * @param pilots with how many the type is flown
 * @param options of the operator, as the departure was opened with them
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
        TypeSheet.Pilots pilots,
        String sealedBy,
        List<ProcedureText> procedures,
        List<PanelMap> maps,
        List<OptionText> options,
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
                plan.type().pilots(),
                sealedBy,
                plan.procedures().stream().map(ProcedureText::of).toList(),
                List.copyOf(plan.type().maps().values()),
                options(departure),
                view);
    }

    /**
     * What the operator has decided once for all. @param value the school in words; @param because what speaks for
     * it; @param against what speaks against it
     */
    record OptionText(String id, String label, String value, String because, String against) {}

    private static List<OptionText> options(Departure departure) {
        Map<String, String> set = departure.opening().options();
        return departure.plan().options().values().stream()
                .flatMap(option -> option.school(set.getOrDefault(option.id(), option.set())).stream()
                        .map(school -> new OptionText(
                                option.id(), option.label(), school.label(), school.because(), school.against())))
                .toList();
    }

    /** A procedure's words. */
    record ProcedureText(
            String id,
            String title,
            Procedure.Style style,
            @Nullable Seat seat,
            int strand,
            String how,
            @Nullable String map,
            Procedure.Occasion occasion,
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
                    procedure.occasion(),
                    procedure.lines().stream()
                            .map(line -> LineText.of(procedure.ref(line), line))
                            .toList());
        }
    }
}
