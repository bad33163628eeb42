/** Notes of visits and letters, made from the record and signed. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "people",
      "settings",
      "client",
      "library",
      "screening",
      "measurement",
      "program",
      "pause",
      "session",
      "handout",
      "review"
    })
@NullMarked
package org.biokinet.app.writing;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
