/** Drafts and shared versions. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "people",
      "settings",
      "client",
      "screening",
      "library",
      "measurement"
    })
@NullMarked
package org.biokinet.app.program;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
