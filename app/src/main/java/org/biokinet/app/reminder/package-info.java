/** Reminders by mail at the times that a client chose, and how they end. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "mail",
      "client",
      "access",
      "screening",
      "program",
      "pause",
      "session"
    })
@NullMarked
package org.biokinet.app.reminder;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
