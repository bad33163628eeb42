/** Times that somebody's calendar names: read from iCalendar (RFC 5545), and written as such. */
@NullMarked
package org.biokinet.core.calendar;

import org.jspecify.annotations.NullMarked;
