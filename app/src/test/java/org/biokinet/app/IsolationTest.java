package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Role;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Nobody reaches another practice's client, and a client reaches only itself. */
class IsolationTest extends AppTest {

  @Autowired
  @Qualifier("requestMappingHandlerMapping")
  RequestMappingHandlerMapping mappings;

  private static final String MARKS =
      """
      {"facing":"LEFT","plumbTop":{"x":0,"y":0},"plumbBottom":{"x":0,"y":9},"tragus":{"x":1,"y":1},
       "c7":{"x":4,"y":4},"shoulder":{"x":3,"y":8}}
      """;

  private record Route(RequestMethod method, String path) {}

  /** Every address about a client that any controller answers, found and not listed by hand. */
  private List<Route> clientRoutes() {
    List<Route> routes = new ArrayList<>();
    for (RequestMappingInfo info : mappings.getHandlerMethods().keySet()) {
      Set<RequestMethod> methods = info.getMethodsCondition().getMethods();
      for (String path : info.getPatternValues()) {
        if (!path.startsWith("/clients/{")) continue;
        methods.forEach(m -> routes.add(new Route(m, path)));
      }
    }
    return routes;
  }

  @Test
  void everyAddressOfAnotherPracticesClientIsNotFound() throws Exception {
    Me stranger = practitioner();
    Me owner = practitioner();
    Client client = client(owner);
    share(owner, client, "chin-tuck", "3x10s");
    List<Route> routes = clientRoutes();
    assertThat(routes).hasSizeGreaterThan(14);
    for (Route route : routes) {
      String path =
          route
              .path()
              .replace("{id}", client.getId().toString())
              .replace("{number}", "1")
              .replace("{plan}", UUID.randomUUID().toString())
              .replace("{review}", UUID.randomUUID().toString())
              .replace("{device}", UUID.randomUUID().toString())
              .replace("{writing}", UUID.randomUUID().toString())
              .replace("{photograph}", UUID.randomUUID().toString());
      mvc.perform(
              as(stranger, request(HttpMethod.valueOf(route.method().name()), path))
                  .param("seq", "0")
                  .param("key", "v1-1")
                  .param("dose", "30s")
                  .param("to", "0")
                  .param("exercise", "chin-tuck")
                  .param("what", route.path().endsWith("/weeks/item") ? "LATER" : "title")
                  .param("choice", "ASIDE")
                  .param("step", "0")
                  .param("mark", "WELL")
                  .param("token", "t")
                  .param("letter", UUID.randomUUID().toString())
                  .param("week", "1")
                  .param("every", "2")
                  .param("kind", route.path().endsWith("/decisions") ? "ACCEPT" : "TWICE")
                  .param("part", "chin-tuck")
                  .param("how", "SHARE")
                  .param("pace", "USUAL")
                  .param("policy", "COMFORT_FIRST")
                  .param("next", "2026-12-24")
                  .param("fix", "leave the second out")
                  .param("band", "ACSM")
                  .param("breath", "5")
                  .param("note", "called")
                  .param("about", UUID.randomUUID().toString())
                  .param("answer", UUID.randomUUID().toString())
                  .param("examined", "reflexes")
                  .param("found", "nothing")
                  .param("seen", "0")
                  .param("reached", "false")
                  .param("was", "NO_PROGRAM")
                  .param("of", UUID.randomUUID().toString())
                  .param("document", "NOTE")
                  .param("preferred", "45")
                  .param("least", "20")
                  .param("most", "60")
                  .param("number", "8")
                  .param("until", "2026-12-24")
                  .param("reason", route.path().endsWith("/leave-out") ? "NONE" : "shoulder")
                  .param("motion", "neck-rotation")
                  .param("side", "LEFT")
                  .param("readings", "60")
                  .param("activity", "parking")
                  .param("questionnaire", "NDI")
                  .param("line", "r palm 4")
                  .param("facing", "true")
                  .param("kept", "true")
                  .contentType(
                      route.path().endsWith("/marks")
                          ? "application/json"
                          : "application/x-www-form-urlencoded")
                  .content(route.path().endsWith("/marks") ? MARKS : "")
                  .param("duplicate", client.getId().toString()))
          .andExpect(
              result ->
                  assertThat(result.getResponse().getStatus()).as(route.toString()).isEqualTo(404));
    }
    assertThat(versions.all(client.getId())).hasSize(1);
  }

  @Test
  void signedOutEverythingLeadsToSignIn() throws Exception {
    Client client = client(practitioner());
    for (Route route : clientRoutes()) {
      if (route.method() != RequestMethod.GET) continue;
      String path =
          route
              .path()
              .replace("{id}", client.getId().toString())
              .replace("{number}", "1")
              .replace("{review}", UUID.randomUUID().toString())
              .replace("{writing}", UUID.randomUUID().toString())
              .replace("{photograph}", UUID.randomUUID().toString());
      mvc.perform(get(path)).andExpect(redirectedUrl("http://localhost/sign-in"));
    }
    // A fragment keeps its page; its script asks to sign in again.
    mvc.perform(get("/find").header("HX-Request", "true")).andExpect(status().isUnauthorized());
  }

  @Test
  void aListShowsOnlyTheOwnPractice() throws Exception {
    Me me = practitioner();
    clients.add(me, Contact.of("Mine Only", LISBON), Circumstances.of(""));
    clients.add(practitioner(), Contact.of("Theirs Only", LISBON), Circumstances.of(""));
    mvc.perform(as(me, get("/")))
        .andExpect(content().string(Matchers.containsString("Mine Only")))
        .andExpect(content().string(Matchers.not(Matchers.containsString("Theirs Only"))));
    mvc.perform(as(me, get("/find").param("q", "only")))
        .andExpect(content().string(Matchers.containsString("Mine Only")))
        .andExpect(content().string(Matchers.not(Matchers.containsString("Theirs Only"))));
  }

  @Test
  void aDeviceReachesItsOwnClientAndNoPractitionersPage() throws Exception {
    Me me = practitioner();
    Client one = client(me);
    Client other = clients.add(me, Contact.of("Bea Other", LISBON), Circumstances.of(""));
    screen(me, other, Set.of(), Set.of(), Set.of());
    share(me, one, "chin-tuck", "3x10s");
    share(me, other, "neck-rotation", "5");
    Cookie device = device(me, one);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("Chin tuck")))
        .andExpect(content().string(Matchers.not(Matchers.containsString("neck rotation"))));
    mvc.perform(get("/").cookie(device)).andExpect(redirectedUrl("http://localhost/sign-in"));
    mvc.perform(get("/clients/" + one.getId() + "/plan").cookie(device))
        .andExpect(redirectedUrl("http://localhost/sign-in"));
  }

  @Test
  void aPractitionerIsNobodyOnTheClientsPages() throws Exception {
    String email = UUID.randomUUID() + "@practice.example";
    accounts.addPractitioner(practice(), email, "A. Practitioner", Role.PRACTITIONER, PASSWORD);
    Cookie session =
        mvc.perform(post("/sign-in").param("email", email).param("password", PASSWORD).with(csrf()))
            .andExpect(redirectedUrl("/"))
            .andReturn()
            .getResponse()
            .getCookie("biokinet");
    mvc.perform(get("/").cookie(session)).andExpect(status().isOk());
    mvc.perform(get("/me/today").cookie(session)).andExpect(redirectedUrl("/me/gone"));
  }

  @Test
  void clinicalPagesAreNotStoredAndRunNothingInline() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/plan")))
        .andExpect(header().string("Cache-Control", Matchers.containsString("no-store")))
        .andExpect(header().string("Referrer-Policy", "no-referrer"))
        .andExpect(
            header()
                .string(
                    "Content-Security-Policy",
                    Matchers.allOf(
                        Matchers.containsString("default-src 'none'"),
                        Matchers.not(Matchers.containsString("unsafe")))));
  }

  /** The page on the desk has the desk program in a frame; nobody else may frame a page. */
  @Test
  void onlyTheClientsPagesAreFramedAndOnlyByTheirOwn() throws Exception {
    Me me = practitioner();
    mvc.perform(get("/me/desk").cookie(device(me, client(me))))
        .andExpect(header().string("X-Frame-Options", "SAMEORIGIN"))
        .andExpect(
            header()
                .string(
                    "Content-Security-Policy",
                    Matchers.allOf(
                        Matchers.containsString("frame-ancestors 'self'"),
                        Matchers.containsString("frame-src 'self'"),
                        Matchers.not(Matchers.containsString("unsafe")))));
    mvc.perform(as(me, get("/")))
        .andExpect(header().string("X-Frame-Options", "DENY"))
        .andExpect(
            header()
                .string(
                    "Content-Security-Policy", Matchers.containsString("frame-ancestors 'none'")));
  }

  @Test
  void aChangeWithoutTokenIsRefused() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    mvc.perform(
            as(me, post("/clients/" + client.getId() + "/plan/undo"))
                .param("seq", "0")
                .with(csrf().useInvalidToken()))
        .andExpect(status().isForbidden());
  }
}
