package org.skelda.core.procedure;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelda.core.alignment.InertialProfile;
import org.skelda.core.apu.ApuProfile;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.clock.ClockSpec;
import org.skelda.core.electrics.Network;
import org.skelda.core.indications.IndicationTest;
import org.skelda.core.measure.MeasureSpec;
import org.skelda.core.order.Feeds;
import org.skelda.core.taxi.OneEngineTaxi;

/**
 * What a procedure needs to know of an aircraft type, with the tail's modifications already applied.
 *
 * @param id the type's code, e.g. {@code HAVERN-2M}
 * @param name as people call it
 * @param modifications the overlays applied, in words, for the page that shows them
 * @param fitted every modification that the type knows, by its name in a condition
 * @param clocks by id
 * @param measures by id
 * @param maps by id
 * @param controls that need care, by id
 * @param states in which it can be, in words, by id
 * @param tests of its warnings, by id
 * @param apu its APU; null when it has none, or its document tells nothing of it
 * @param inertial its inertial units; null when it has none, or its document tells nothing of them
 * @param electrics its sources and buses; null when its document tells nothing of them
 * @param air what gives its starters their air; null when it starts on current, or its document tells nothing of it
 * @param feeds what each of its engines gives; null when it has one, or its document tells nothing of it
 * @param taxi how it taxies out on one engine; null when it does not
 * @param pilots with how many it is flown
 */
public record TypeSheet(
        String id,
        String name,
        List<String> modifications,
        Map<String, Modification> fitted,
        Map<String, ClockSpec> clocks,
        Map<String, MeasureSpec> measures,
        Map<String, PanelMap> maps,
        Map<String, Control> controls,
        Map<String, String> states,
        Map<String, IndicationTest> tests,
        @Nullable ApuProfile apu,
        @Nullable InertialProfile inertial,
        @Nullable Network electrics,
        @Nullable AirNetwork air,
        @Nullable Feeds feeds,
        @Nullable OneEngineTaxi taxi,
        Pilots pilots) {

    public TypeSheet {
        modifications = List.copyOf(modifications);
        fitted = Map.copyOf(fitted);
        clocks = Map.copyOf(clocks);
        measures = Map.copyOf(measures);
        maps = Map.copyOf(maps);
        controls = Map.copyOf(controls);
        states = Map.copyOf(states);
        tests = Map.copyOf(tests);
    }

    /** What some tails of a type have. @param label what it is; @param fitted whether this tail has it */
    public record Modification(String label, boolean fitted) {}

    /** With how many pilots a type is flown. @param min at least; @param max at most; 1 or 2 */
    public record Pilots(int min, int max) {
        public static final Pilots TWO = new Pilots(2, 2);
    }
}
