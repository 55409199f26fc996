package org.skelda.core.crew;

/**
 * Someone of the operator.
 *
 * @param id the person's identity, stable for ever
 * @param name as it is shown
 */
public record Person(String id, String name) {}
