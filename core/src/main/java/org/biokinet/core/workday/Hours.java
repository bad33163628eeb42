package org.biokinet.core.workday;

import java.time.DayOfWeek;

/** When somebody works every week; there may be several on a day. */
public record Hours(DayOfWeek day, TimeOfDay time) {}
