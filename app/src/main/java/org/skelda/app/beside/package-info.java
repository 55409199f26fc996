/** One start laid beside another of the same aircraft, or beside the band of its engine's last ten. */
@NullMarked
package org.skelda.app.beside;

import org.jspecify.annotations.NullMarked;
