package org.skelda.formats.apurun;

import static org.skelda.formats.log.Fields.duration;
import static org.skelda.formats.log.Fields.instant;
import static org.skelda.formats.log.Fields.maybeInstant;
import static org.skelda.formats.log.Fields.maybeText;
import static org.skelda.formats.log.Fields.number;
import static org.skelda.formats.log.Fields.put;
import static org.skelda.formats.log.Fields.seconds;
import static org.skelda.formats.log.Fields.text;
import static org.skelda.formats.log.Fields.word;
import static org.skelda.formats.log.Fields.yes;

import java.time.Instant;
import org.skelda.core.apu.Apu;
import org.skelda.core.apu.ApuEvent;
import org.skelda.core.apu.ApuMilestone;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.apurun.ApuFact;
import org.skelda.formats.log.FactCodec;
import org.skelda.formats.log.InvalidEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The APU in a departure's log. */
public final class ApuCodec implements FactCodec<ApuFact> {

    @Override
    public void write(ApuFact fact, ObjectNode payload) {
        switch (fact) {
            case ApuFact.ApuTold(var what) -> {
                payload.put("at", what.at().toString());
                write(what, payload);
            }
            case ApuFact.ApuUntold(var reason) -> put(payload, "reason", reason);
            case ApuFact.ApuRead(var since) -> payload.put("since", since.toString());
            case ApuFact.ApuTooHot hot ->
                payload.put("starting", hot.starting())
                        .put("limit_c", hot.limit_C())
                        .put("allowed_s", seconds(hot.allowed()))
                        .put("at", hot.at().toString());
            case ApuFact.ApuPeak peak -> {
                payload.put("starting", peak.starting())
                        .put("peak_c", peak.peak_C())
                        .put("at", peak.at().toString());
                put(
                        payload,
                        "seenFrom",
                        peak.seenFrom() == null ? null : peak.seenFrom().toString());
            }
        }
    }

    private static void write(ApuEvent what, ObjectNode payload) {
        switch (what) {
            case ApuEvent.MasterOn _ -> payload.put("what", "master-on");
            case ApuEvent.ReadySeen _ -> payload.put("what", "ready");
            case ApuEvent.StartSelected _ -> payload.put("what", "start");
            case ApuEvent.MilestoneSeen seen ->
                payload.put("what", "milestone").put("milestone", word(seen.milestone()));
            case ApuEvent.Read _ -> throw new IllegalArgumentException("single readings are not logged");
            case ApuEvent.Generator generator ->
                payload.put("what", "generator").put("on", generator.on());
            case ApuEvent.Bleed bleed -> payload.put("what", "bleed").put("on", bleed.on());
            case ApuEvent.MasterOff _ -> payload.put("what", "master-off");
            case ApuEvent.EmergencyStop _ -> payload.put("what", "emergency-stop");
            case ApuEvent.StoppedItself stopped ->
                payload.put("what", "stopped-itself").put("why", word(stopped.why()));
            case ApuEvent.ZeroSeen _ -> payload.put("what", "zero");
            case ApuEvent.SpeedHeld held -> payload.put("what", "speed-held").put("on", held.held());
            case ApuEvent.Found found ->
                payload.put("what", "found")
                        .put("phase", word(found.phase()))
                        .put("generator", found.generator())
                        .put("bleed", found.bleed());
            case ApuEvent.BatteriesOff _ -> payload.put("what", "batteries-off");
            case ApuEvent.ResetOutside _ -> payload.put("what", "reset-outside");
        }
    }

    @Override
    public ApuFact read(String type, JsonNode payload) {
        return switch (type) {
            case "ApuTold" -> new ApuFact.ApuTold(event(payload));
            case "ApuUntold" -> new ApuFact.ApuUntold(maybeText(payload, "reason"));
            case "ApuRead" -> new ApuFact.ApuRead(instant(payload, "since"));
            case "ApuTooHot" ->
                new ApuFact.ApuTooHot(
                        yes(payload, "starting"),
                        number(payload, "limit_c"),
                        duration(payload, "allowed_s"),
                        instant(payload, "at"));
            case "ApuPeak" ->
                new ApuFact.ApuPeak(
                        yes(payload, "starting"),
                        number(payload, "peak_c"),
                        instant(payload, "at"),
                        maybeInstant(payload, "seenFrom"));
            default -> throw new InvalidEvent("'" + type + "' is nothing that happens to an APU");
        };
    }

    private static ApuEvent event(JsonNode payload) {
        Instant at = instant(payload, "at");
        String what = text(payload, "what");
        return switch (what) {
            case "master-on" -> new ApuEvent.MasterOn(at);
            case "ready" -> new ApuEvent.ReadySeen(at);
            case "start" -> new ApuEvent.StartSelected(at);
            case "milestone" -> new ApuEvent.MilestoneSeen(at, word(ApuMilestone.class, payload, "milestone"));
            case "generator" -> new ApuEvent.Generator(at, yes(payload, "on"));
            case "bleed" -> new ApuEvent.Bleed(at, yes(payload, "on"));
            case "master-off" -> new ApuEvent.MasterOff(at);
            case "emergency-stop" -> new ApuEvent.EmergencyStop(at);
            case "stopped-itself" -> new ApuEvent.StoppedItself(at, word(AutomaticStop.class, payload, "why"));
            case "zero" -> new ApuEvent.ZeroSeen(at);
            case "speed-held" -> new ApuEvent.SpeedHeld(at, yes(payload, "on"));
            case "found" ->
                new ApuEvent.Found(
                        at, word(Apu.Phase.class, payload, "phase"), yes(payload, "generator"), yes(payload, "bleed"));
            case "batteries-off" -> new ApuEvent.BatteriesOff(at);
            case "reset-outside" -> new ApuEvent.ResetOutside(at);
            default -> throw new InvalidEvent("'" + what + "' is nothing that happens to an APU");
        };
    }
}
