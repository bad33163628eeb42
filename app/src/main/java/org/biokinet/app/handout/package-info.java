/** What a client takes home: the sheet. */
@ApplicationModule(
    allowedDependencies = {"platform", "practice", "audit", "people", "client", "program"})
@NullMarked
package org.biokinet.app.handout;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
