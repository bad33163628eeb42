/** Where every client stands, and who wants the practitioner first. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "people",
      "settings",
      "client",
      "appointment",
      "access",
      "screening",
      "library",
      "measurement",
      "program",
      "pause",
      "session",
      "review"
    })
@NullMarked
package org.biokinet.app.worklist;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
