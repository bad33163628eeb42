/** Mail to clients: written down with what wants it, sent after that, tried again, never twice. */
@ApplicationModule(allowedDependencies = {"platform", "practice"})
@NullMarked
package org.biokinet.app.mail;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
