/** When the program rests: a pause with dates, and a flare with a plan that was set ahead. */
@ApplicationModule(
    allowedDependencies = {"platform", "practice", "audit", "client", "screening", "program"})
@NullMarked
package org.biokinet.app.pause;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
