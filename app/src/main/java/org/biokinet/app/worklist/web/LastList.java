package org.biokinet.app.worklist.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import java.util.UUID;

/** The list as it was looked at last: whoever has dealt with one of it goes on where they were. */
final class LastList {
  private static final String KEY = "worklist";

  private LastList() {}

  static void keep(HttpServletRequest request) {
    String query = Objects.requireNonNullElse(request.getQueryString(), "");
    if (!query.equals(asked(request))) request.getSession().setAttribute(KEY, query);
  }

  /** To the row of this client, where it is still there. */
  static String back(HttpServletRequest request, UUID client) {
    String query = asked(request);
    return "redirect:/%s#row-%s".formatted(query.isEmpty() ? "" : "?" + query, client);
  }

  private static String asked(HttpServletRequest request) {
    return request.getSession().getAttribute(KEY) instanceof String query ? query : "";
  }
}
