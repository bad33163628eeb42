package org.biokinet.app.platform;

import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Where this application is reached from outside: told, never read off a request, since a request
 * may say anything about that. Untold it is this machine alone.
 */
@Component
public class Site {

  private final Environment environment;

  Site(Environment environment) {
    this.environment = environment;
  }

  /** A page of ours as somebody else has to type it. */
  public String address(String path) {
    String told = told();
    return (told.isEmpty() ? "http://127.0.0.1:" + port() : told) + path;
  }

  /** Whether people reach it over TLS only. */
  public boolean secure() {
    return told().startsWith("https://");
  }

  private String told() {
    String told = environment.getProperty("biokinet.public-address", "").strip();
    return told.endsWith("/") ? told.substring(0, told.length() - 1) : told;
  }

  private String port() {
    return environment.getProperty("local.server.port", environment.getProperty("server.port", ""));
  }
}
