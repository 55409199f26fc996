/**
 * How programs of this machine reach the server: the simulated aircraft, and the command that makes a backup. Nobody
 * else gets in here.
 */
@NullMarked
package org.skelda.app.door;

import org.jspecify.annotations.NullMarked;
