/** The log of each departure: storing it, answering commands, streaming it, handing out the record. */
@NullMarked
package org.skelda.app.departure;

import org.jspecify.annotations.NullMarked;
