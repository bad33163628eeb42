/**
 * The client's workday: when breaks and sessions are, around the calendar that the client gave, and
 * that plan as a calendar for others.
 */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "people",
      "client",
      "screening",
      "program",
      "pause",
      "session"
    })
@NullMarked
package org.biokinet.app.workday;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
