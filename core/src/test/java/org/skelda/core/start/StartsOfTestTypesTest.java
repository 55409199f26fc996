package org.skelda.core.start;

import java.util.List;

class StartsOfTestTypesTest extends StartContract {
    @Override
    protected List<StartProfile> profiles() {
        return TestProfiles.all();
    }
}
