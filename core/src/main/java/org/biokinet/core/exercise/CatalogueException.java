package org.biokinet.core.exercise;

/** The catalogue's own data is wrong; the message names the exercise and what would be right. */
public class CatalogueException extends RuntimeException {
  public CatalogueException(String message) {
    super(message);
  }
}
