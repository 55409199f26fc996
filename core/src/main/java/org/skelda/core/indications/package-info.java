/**
 * What a test of warnings must show: which lights, messages and sounds are expected given the aircraft's state, and why
 * one stays dark.
 */
@NullMarked
package org.skelda.core.indications;

import org.jspecify.annotations.NullMarked;
