/** In which order engines are started: what each of them gives, what waits for the others, what is lost with one. */
@NullMarked
package org.skelda.core.order;

import org.jspecify.annotations.NullMarked;
