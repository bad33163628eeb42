/** Clients, and what waits to be dealt with. */
@ApplicationModule(allowedDependencies = {"platform", "practice", "audit", "people"})
@NullMarked
package org.biokinet.app.client;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
