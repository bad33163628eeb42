/** What holds the stations together: the head of a client's page, Do, the front desk, the audit. */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "audit",
      "people",
      "client",
      "mail",
      "access",
      "screening",
      "program",
      "pause",
      "teaching",
      "worklist"
    })
@NullMarked
package org.biokinet.app.shell;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
