/** Who saw and changed what. */
@ApplicationModule(allowedDependencies = {"platform", "practice"})
@NullMarked
package org.biokinet.app.audit;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
