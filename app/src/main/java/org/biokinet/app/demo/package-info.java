/** The made-up practice that shows everything. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "people",
      "client",
      "access",
      "screening",
      "library",
      "measurement",
      "program",
      "session",
      "message",
      "review",
      "workday"
    })
@NullMarked
package org.biokinet.app.demo;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
