package org.biokinet.app.platform;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** Random tokens, and the hashes under which they are stored. */
public final class Secrets {

  private static final SecureRandom RANDOM = new SecureRandom();

  private Secrets() {}

  /** 192 random bits, safe in a URL. */
  public static String token() {
    byte[] bytes = new byte[24];
    RANDOM.nextBytes(bytes);
    return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
  }

  /** Six digits. */
  public static String pin() {
    return "%06d".formatted(RANDOM.nextInt(1_000_000));
  }

  /** SHA-256 in hexadecimal, 64 characters: for long random tokens and for content. */
  public static String hash(String text) {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      return HexFormat.of().formatHex(digest.digest(text.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e); // every Java has SHA-256
    }
  }
}
