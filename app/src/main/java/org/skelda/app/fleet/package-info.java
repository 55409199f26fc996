/** The operator's tails and the fields they fly between. */
@NullMarked
package org.skelda.app.fleet;

import org.jspecify.annotations.NullMarked;
