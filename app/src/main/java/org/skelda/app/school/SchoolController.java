package org.skelda.app.school;

import jakarta.annotation.security.RolesAllowed;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.Account;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.procedure.Packs;
import org.skelda.core.procedure.Option;
import org.skelda.core.procedure.Plan;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Shows the schools of an operator to its crews; its office alone sets them. No open departure changes by it. */
@RestController
@RequestMapping("/api/schools")
class SchoolController {
    private final Schools schools;
    private final Packs packs;
    private final Fleet fleet;
    private final ServerClock clock;

    SchoolController(Schools schools, Packs packs, Fleet fleet, ServerClock clock) {
        this.schools = schools;
        this.packs = packs;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** @param tails of the type; @param options that its procedures leave to the operator */
    record TypeSchools(
            String typeId,
            String typeName,
            List<String> tails,
            List<OptionSchools> options,
            List<Schools.Set> history) {}

    /** @param document the school of the document; @param byTail what counts for each tail */
    record OptionSchools(
            String id, String label, List<SchoolText> schools, String document, Map<String, String> byTail) {}

    /** One way to do it, with its reasons. */
    record SchoolText(String id, String label, String because, String against) {
        static SchoolText of(Option.School school) {
            return new SchoolText(school.id(), school.label(), school.because(), school.against());
        }
    }

    /** @param tail for one tail alone; null for every tail of the type; @param why a reason, not blank */
    record SchoolRequest(
            @NotBlank @Size(max = 40) String typeId,
            @Nullable @Size(max = 20) String tail,
            @NotBlank @Size(max = 60) String option,
            @NotBlank @Size(max = 60) String school,
            @NotBlank @Size(max = 500) String why) {}

    @GetMapping
    List<TypeSchools> all(@AuthenticationPrincipal SignedIn person) {
        return fleet.types(person.operatorId()).stream()
                .filter(type -> packs.hasProcedures(person.operatorId(), type))
                .map(type -> of(person.operatorId(), type))
                .toList();
    }

    private TypeSchools of(String operatorId, String typeId) {
        Plan plan = packs.planFor(operatorId, typeId);
        List<String> tails = fleet.tailsOf(operatorId, typeId);
        Map<String, Map<String, String>> counts = new LinkedHashMap<>();
        tails.forEach(tail -> counts.put(tail, schools.of(operatorId, tail, plan)));
        List<OptionSchools> options = plan.options().values().stream()
                .map(option -> {
                    Map<String, String> byTail = new LinkedHashMap<>();
                    counts.forEach((tail, set) -> byTail.put(tail, set.getOrDefault(option.id(), option.set())));
                    return new OptionSchools(
                            option.id(),
                            option.label(),
                            option.schools().stream().map(SchoolText::of).toList(),
                            option.set(),
                            byTail);
                })
                .toList();
        return new TypeSchools(typeId, plan.type().name(), tails, options, schools.history(operatorId, typeId));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @RolesAllowed(Account.STANDARDS)
    void set(@Valid @RequestBody SchoolRequest request, @AuthenticationPrincipal SignedIn person) {
        String operator = person.operatorId();
        check(
                fleet.types(operator).contains(request.typeId()) && packs.hasProcedures(operator, request.typeId()),
                "typeId",
                "is no type of your operator that has procedures");
        check(
                request.tail() == null
                        || fleet.tailsOf(operator, request.typeId()).contains(request.tail()),
                "tail",
                "is no tail of that type");
        Option option = packs.planFor(operator, request.typeId()).options().get(request.option());
        check(option != null, "option", "is no option of these procedures");
        check(option == null || option.ids().contains(request.school()), "school", "is none of its choices");
        schools.set(
                operator,
                request.typeId(),
                request.tail(),
                request.option(),
                request.school(),
                person.person(),
                clock.instant(),
                request.why().strip());
    }

    private static void check(boolean fits, String field, String words) {
        if (!fits) {
            throw new ProblemException(Problems.badRequest("The request does not fit.")
                    .with(List.of(new Problem.Violation(field, words))));
        }
    }
}
