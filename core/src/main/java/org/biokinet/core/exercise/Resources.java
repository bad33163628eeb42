package org.biokinet.core.exercise;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** The texts that ship beside the classes. */
public final class Resources {

  private Resources() {}

  /**
   * @param near a class of the package in which it lies
   * @throws CatalogueException when it is missing
   */
  public static String text(Class<?> near, String name) {
    try (InputStream in = near.getResourceAsStream(name)) {
      if (in == null) throw new CatalogueException("the resource " + name + " is missing");
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
