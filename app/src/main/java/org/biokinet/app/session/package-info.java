/** The client's day: today, the player, and what it sends. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "people",
      "client",
      "screening",
      "library",
      "program",
      "pause",
      "message",
      "teaching"
    })
@NullMarked
package org.biokinet.app.session;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
