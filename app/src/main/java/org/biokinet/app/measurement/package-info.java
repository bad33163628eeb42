/** What is measured, and what it points to. */
@ApplicationModule(
    allowedDependencies = {"platform", "practice", "audit", "people", "client", "library"})
@NullMarked
package org.biokinet.app.measurement;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
