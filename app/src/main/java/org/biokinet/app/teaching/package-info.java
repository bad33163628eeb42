/** A program taught in the room, and what a client usually does wrong. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "people",
      "client",
      "library",
      "program"
    })
@NullMarked
package org.biokinet.app.teaching;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
