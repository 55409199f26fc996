/**
 * The record of a departure: its events as JSON, each with the hash of the one before it.
 *
 * <p>Reading order: {@link org.skelda.formats.record.EventCodec}, {@link org.skelda.formats.record.HashChain},
 * {@link org.skelda.formats.record.DepartureRecord}, {@link org.skelda.formats.record.RecordVerifier}.
 */
@NullMarked
package org.skelda.formats.record;

import org.jspecify.annotations.NullMarked;
