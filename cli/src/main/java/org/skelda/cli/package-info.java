/** What works from the shell without a server. */
@NullMarked
package org.skelda.cli;

import org.jspecify.annotations.NullMarked;
