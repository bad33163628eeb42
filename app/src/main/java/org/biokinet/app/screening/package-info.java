/** What is asked before anything is prescribed, and the gate that it makes. */
@ApplicationModule(allowedDependencies = {"platform", "practice", "audit", "people", "client"})
@NullMarked
package org.biokinet.app.screening;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
