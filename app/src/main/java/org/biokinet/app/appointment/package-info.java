/** Appointments, as the calendar file of a practice has them. */
@ApplicationModule(allowedDependencies = {"platform", "practice", "audit", "people", "client"})
@NullMarked
package org.biokinet.app.appointment;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
