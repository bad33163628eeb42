/** What is done: the catalogue, its data and its words. */
@NullMarked
package org.biokinet.core.exercise;

import org.jspecify.annotations.NullMarked;
