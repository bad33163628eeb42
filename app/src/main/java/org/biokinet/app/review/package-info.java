/** What came back, for the practitioner. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "audit",
      "people",
      "practice",
      "client",
      "library",
      "measurement",
      "program",
      "pause",
      "screening",
      "session",
      "workday",
      "settings",
      "message"
    })
@NullMarked
package org.biokinet.app.review;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
