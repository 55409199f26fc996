/** The schools an operator follows where schools differ: set by its standards office, for a type or one tail. */
@NullMarked
package org.skelda.app.school;

import org.jspecify.annotations.NullMarked;
