/** The data folder: who may read it, what is in it, and how what was acknowledged gets to the disk. */
@NullMarked
package org.skelda.app.store;

import org.jspecify.annotations.NullMarked;
