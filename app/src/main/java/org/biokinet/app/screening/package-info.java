/** What is asked before anything is prescribed, and the gate that it makes. */
@NullMarked
package org.biokinet.app.screening;

import org.jspecify.annotations.NullMarked;
