/** The made-up operator, its crew and its day. */
@NullMarked
package org.skelda.app.demo;

import org.jspecify.annotations.NullMarked;
