/** Packs, stored by the hash of their content, and the plans made from them. */
@NullMarked
package org.skelda.app.procedure;

import org.jspecify.annotations.NullMarked;
