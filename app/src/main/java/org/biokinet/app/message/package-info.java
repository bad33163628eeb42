/** Questions of a client to the practice, and the answers. */
@ApplicationModule(allowedDependencies = {"platform", "practice", "audit", "people", "client"})
@NullMarked
package org.biokinet.app.message;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
