/** The server's one clock, which may run faster in demonstrations and tests. */
@NullMarked
package org.skelda.app.clock;

import org.jspecify.annotations.NullMarked;
