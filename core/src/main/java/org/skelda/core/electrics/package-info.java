/** Electrics: what a battery's volts allow, by what it must do. */
@NullMarked
package org.skelda.core.electrics;

import org.jspecify.annotations.NullMarked;
