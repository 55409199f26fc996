/**
 * The real interface on the real server, driven as a crew would. Reading order: {@link org.skelda.e2e.TestServer},
 * {@link org.skelda.e2e.CrewMember}, {@link org.skelda.e2e.DeskOfDeparture}, then the journeys.
 */
package org.skelda.e2e;
