/** Practices, and who acts for one. */
@ApplicationModule(allowedDependencies = {"platform"})
@NullMarked
package org.biokinet.app.practice;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
