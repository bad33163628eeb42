/**
 * What a client's device keeps, so that Today and its sessions open without a network: which pages,
 * until when they may be used, and who uses which device.
 */
@ApplicationModule(
    allowedDependencies = {
      "platform",
      "practice",
      "client",
      "access",
      "screening",
      "program",
      "session"
    })
@NullMarked
package org.biokinet.app.offline;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
