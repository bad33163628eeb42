package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import jakarta.servlet.http.Cookie;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.util.AntPathMatcher;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** docs/PERMISSIONS.md is the table; here every address is asked as each role. */
class PermissionTest extends AppTest {

  /** A line of the table: which addresses, and whether each of the four may. */
  private record Line(List<String> patterns, List<String> cells) {

    boolean covers(String path) {
      AntPathMatcher matcher = new AntPathMatcher();
      return patterns.stream().anyMatch(p -> matcher.match(p, path));
    }

    boolean may(int column) {
      return !cells.get(column).equals("no");
    }
  }

  private record Route(HttpMethod method, String path) {}

  @Autowired
  @Qualifier("requestMappingHandlerMapping")
  RequestMappingHandlerMapping mappings;

  private static List<Line> table() throws IOException {
    List<Line> lines = new ArrayList<>();
    for (String row : Files.readAllLines(Path.of("../docs/PERMISSIONS.md"))) {
      if (!row.startsWith("| `")) continue;
      List<String> cells = Arrays.stream(row.split("\\|", -1)).map(String::strip).toList();
      List<String> patterns =
          Arrays.stream(cells.get(1).split(",", -1)).map(p -> p.strip().replace("`", "")).toList();
      lines.add(new Line(patterns, cells.subList(3, 7)));
    }
    return lines;
  }

  private List<Route> routes() {
    List<Route> routes = new ArrayList<>();
    mappings
        .getHandlerMethods()
        .forEach(
            (info, handler) -> {
              if (!handler.getBeanType().getPackageName().startsWith("org.biokinet")) return;
              for (String path : info.getPatternValues()) {
                for (RequestMethod m : info.getMethodsCondition().getMethods()) {
                  routes.add(new Route(HttpMethod.valueOf(m.name()), path));
                }
              }
            });
    return routes;
  }

  /** The most exact line wins, as in the security chain. */
  private static Line line(List<Line> table, String path) {
    AntPathMatcher matcher = new AntPathMatcher();
    return table.stream()
        .filter(l -> l.covers(path))
        .min(
            (a, b) ->
                matcher
                    .getPatternComparator(path)
                    .compare(pattern(a, path, matcher), pattern(b, path, matcher)))
        .orElseThrow(() -> new AssertionError("not in the table: " + path));
  }

  private static String pattern(Line line, String path, AntPathMatcher matcher) {
    return line.patterns().stream().filter(p -> matcher.match(p, path)).findFirst().orElseThrow();
  }

  @Test
  void everyAddressAnswersEachRoleAsTheTableSays() throws Exception {
    List<Line> table = table();
    List<Route> routes = routes();
    assertThat(table).hasSizeGreaterThan(9);
    assertThat(routes).hasSizeGreaterThan(60);
    Practice practice = practice();
    List<Me> staff =
        List.of(
            person(practice, Role.OWNER),
            person(practice, Role.PRACTITIONER),
            person(practice, Role.FRONT_DESK));
    Client client = client(staff.get(1));
    Cookie device = device(staff.get(1), client);
    for (Route route : routes) {
      // Ids of nothing: who may ask is told that there is nothing, who may not is turned away.
      String path = route.path().replaceAll("\\{[^}]*}", UUID.randomUUID().toString());
      Line line = line(table, path);
      for (int column = 0; column < 3; column++) {
        assertThat(turnedAway(path, asked(as(staff.get(column), request(route.method(), path)))))
            .as("%s as %s", route, staff.get(column).role())
            .isEqualTo(!line.may(column));
      }
      assertThat(turnedAway(path, asked(request(route.method(), path).cookie(device).with(csrf()))))
          .as("%s as a client", route)
          .isEqualTo(!line.may(3));
    }
  }

  private MockHttpServletResponse asked(
      org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder request)
      throws Exception {
    return mvc.perform(request).andReturn().getResponse();
  }

  private static boolean turnedAway(String path, MockHttpServletResponse answer) {
    String to = String.valueOf(answer.getRedirectedUrl());
    return answer.getStatus() == 403
        || to.endsWith("/sign-in")
        || (to.equals("/me/gone") && !path.equals("/me/gone"));
  }
}
