/** Who may sign in, how, and how often they may try. */
@NullMarked
package org.skelda.app.people;

import org.jspecify.annotations.NullMarked;
