/** The application: wiring, storage and the web interface around the core. */
@NullMarked
package org.skelda.app;

import org.jspecify.annotations.NullMarked;
