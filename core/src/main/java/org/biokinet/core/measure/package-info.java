/** What is measured, how it is scored, and what a change of it means. */
@NullMarked
package org.biokinet.core.measure;

import org.jspecify.annotations.NullMarked;
