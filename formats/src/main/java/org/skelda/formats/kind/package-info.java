/** The kinds of lines: how a pack writes them down, and how a log writes what happened on them. */
@NullMarked
package org.skelda.formats.kind;

import org.jspecify.annotations.NullMarked;
