package org.skelda.formats.start;

import java.util.List;
import org.skelda.core.start.StartContract;
import org.skelda.core.start.StartProfile;

class StartsOfShippedTypesTest extends StartContract {
    @Override
    protected List<StartProfile> profiles() {
        return StartProfiles.TYPES.stream().map(StartProfiles::of).toList();
    }
}
