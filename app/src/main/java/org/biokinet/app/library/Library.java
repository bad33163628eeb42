package org.biokinet.app.library;

import java.util.List;
import java.util.Locale;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.search.Search;

/**
 * A practice's exercises as they stand.
 *
 * @param search over all of them, with those no longer offered
 */
public record Library(Catalogue catalogue, Search search) {

  /** The language of practitioners' pages. */
  public static final Locale LANGUAGE = Locale.ENGLISH;

  static Library of(Catalogue catalogue) {
    return new Library(catalogue, new Search(catalogue, catalogue.all(), LANGUAGE));
  }

  /** What fits a line and may be prescribed, best first. */
  public List<Exercise> offered(String line) {
    return search.find(line).stream().filter(e -> !catalogue.isRetired(e)).toList();
  }

  public String name(Exercise e) {
    return catalogue.words(e, LANGUAGE).name();
  }
}
