package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import jakarta.servlet.http.Cookie;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.progress.Threshold;
import org.biokinet.core.session.Ended;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.DefaultParameterNameDiscoverer;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Every address as every role, with odd values in every parameter and the ids of other practices:
 * nothing breaks (no 500), what is refused leaves nothing behind, and nobody else's record changes.
 * The values follow from a seed, so that a failure can be had again.
 */
class HostileTest extends AppTest {

  private static final long SEED = 14;
  private static final int ROUNDS = 2;

  /** A day that Java knows and no database. */
  private static final String LONG_AGO = "-999999999-01-01";

  private static final List<String> ODD =
      List.of(
          "",
          " ",
          "-1",
          "2147483647",
          "-2147483648",
          "99999999999999999999",
          "1e400",
          "NaN",
          "0x1p3",
          "2.9",
          "null",
          "true",
          "+999999999-12-31",
          LONG_AGO,
          "2026-02-30",
          "{x}",
          "${7*7}",
          "../../etc/passwd",
          "'; drop table client; --",
          "<script>alert(1)</script>",
          "=1+1",
          "\u0000",
          "\u200b",
          "\ud83d\udca5",
          "\uff12\uff11",
          "a".repeat(81),
          "a".repeat(301),
          "a".repeat(70_000),
          "LEFT",
          "chin-tuck",
          "no-such-thing",
          "3x10s",
          "1,2,3,4");

  /** What a well-meant request says, by the name of the parameter. */
  private static final Map<String, List<String>> WELL_MEANT =
      Map.ofEntries(
          Map.entry("seq", List.of("0", "1", "2", "3")),
          Map.entry("seen", List.of("0", "1", "2")),
          Map.entry("reached", List.of("true", "false")),
          Map.entry("document", List.of("NOTE", "PROGRESS", "DISCHARGE")),
          Map.entry("only", List.of("SESSION", "CALL")),
          Map.entry("whose", List.of("MINE", "TEAM")),
          Map.entry("from", List.of("2026-12-20")),
          Map.entry("last", List.of("2026-12-24")),
          Map.entry("preferred", List.of("45")),
          Map.entry("least", List.of("20")),
          Map.entry("most", List.of("60")),
          Map.entry("days", List.of("MONDAY")),
          Map.entry("pasted", List.of("BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:20270101T090000Z")),
          Map.entry("dose", List.of("3x10s", "2x15s/side @3", "60s")),
          Map.entry("exercise", List.of("chin-tuck", "upper-trap-stretch", "neck-rotation")),
          Map.entry("code", List.of("chin-tuck", "upper-trap-stretch")),
          Map.entry("side", List.of("LEFT", "RIGHT")),
          Map.entry("motion", List.of("neck-rotation", "neck-flexion")),
          Map.entry("readings", List.of("60 61", "40")),
          Map.entry("area", List.of("neck-back", "palm")),
          Map.entry("intensity", List.of("0", "4")),
          Map.entry("pain", List.of("2", "7")),
          Map.entry("length", List.of("USUAL", "SHORT", "LONG")),
          Map.entry("version", List.of("1")),
          Map.entry("number", List.of("1")),
          Map.entry("role", List.of("PRACTITIONER", "OWNER")),
          Map.entry("questionnaire", List.of("NDI")),
          Map.entry("zone", List.of("Europe/Lisbon")),
          Map.entry("language", List.of("en")),
          Map.entry("name", List.of("Ada Example")),
          Map.entry("facing", List.of("LEFT", "true")),
          Map.entry("page", List.of("0", "1")),
          Map.entry("band", List.of("acsm")),
          Map.entry("was", List.of("NO_PROGRAM", "NOT_OPENED")),
          Map.entry("until", List.of("2026-12-24")),
          Map.entry("reason", List.of("NOT_OPENED", "because")),
          Map.entry("note", List.of("called")),
          Map.entry("part", List.of("chin-tuck", "upper-trap-stretch L")),
          Map.entry("policy", List.of("COMFORT_FIRST", "TOLERABLE_STRETCH")),
          Map.entry("pace", List.of("USUAL", "CAREFUL")),
          Map.entry("how", List.of("SHARE", "DRAFT")),
          Map.entry("next", List.of("2026-12-24")),
          Map.entry("beginning", List.of("AS_SHARED")),
          Map.entry("on", List.of("true")),
          Map.entry("anyway", List.of("yes")),
          Map.entry("birthDate", List.of("1985-05-17")),
          Map.entry("consent", List.of("2026-01-05")),
          Map.entry("email", List.of("ada@client.example")),
          Map.entry("phone", List.of("555 0177")),
          Map.entry("positions", List.of("chair")),
          Map.entry("equipment", List.of("")),
          Map.entry("shifts", List.of("")),
          Map.entry("hand", List.of("")),
          Map.entry("team", List.of("")),
          Map.entry("work", List.of("forecaster")),
          Map.entry("goal1.activity", List.of("parking")),
          Map.entry("goal1.rated", List.of("4")),
          Map.entry("goal1.wanted", List.of("9")),
          Map.entry("signs", List.of("")),
          Map.entry("flags", List.of("")),
          Map.entry("conditions", List.of("")),
          Map.entry("settles", List.of("10-min")),
          Map.entry("arm", List.of("no")),
          Map.entry("provoked", List.of("no")),
          Map.entry("news", List.of("no")));

  /** Lines about who did what, and about the tries themselves; they are written of anything. */
  private static final String BESIDE = "audit|throttle|sign_in|SPRING_SESSION.*|flyway.*";

  /**
   * An address with the names of what it takes.
   *
   * @param module that answers it
   */
  private record Route(
      HttpMethod method,
      String path,
      String module,
      List<String> names,
      boolean form,
      boolean body) {

    /** What can be given: in the address and as a parameter. */
    List<String> taken() {
      List<String> all = new ArrayList<>(names);
      Matcher steps = Pattern.compile("\\{([^}:]*)").matcher(path);
      while (steps.find()) all.add(steps.group(1));
      return all;
    }

    boolean writes() {
      return !method.equals(HttpMethod.GET);
    }

    String label() {
      return method + " " + path;
    }
  }

  @Autowired
  @Qualifier("requestMappingHandlerMapping")
  RequestMappingHandlerMapping mappings;

  @Autowired JdbcTemplate jdbc;

  private final Random random = new Random(SEED);

  private List<Route> routes() {
    List<Route> routes = new ArrayList<>();
    mappings
        .getHandlerMethods()
        .forEach(
            (info, handler) -> {
              if (!handler.getBeanType().getPackageName().startsWith("org.biokinet")) return;
              for (String path : info.getPatternValues()) {
                if (path.endsWith("/inclinometer")) continue; // a stream, which has no end
                for (RequestMethod m : info.getMethodsCondition().getMethods()) {
                  routes.add(route(HttpMethod.valueOf(m.name()), path, handler));
                }
              }
            });
    routes.sort(Comparator.comparing(Route::label));
    return routes;
  }

  private static Route route(HttpMethod method, String path, HandlerMethod handler) {
    List<String> names = new ArrayList<>();
    boolean form = false;
    boolean body = false;
    for (MethodParameter p : handler.getMethodParameters()) {
      p.initParameterNameDiscovery(new DefaultParameterNameDiscoverer());
      body |= p.hasParameterAnnotation(RequestBody.class);
      RequestParam named = p.getParameterAnnotation(RequestParam.class);
      if (named == null || p.hasParameterAnnotation(PathVariable.class)) continue;
      form |= MultiValueMap.class.isAssignableFrom(p.getParameterType());
      if (MultiValueMap.class.isAssignableFrom(p.getParameterType())) continue;
      names.add(named.value().isEmpty() ? String.valueOf(p.getParameterName()) : named.value());
    }
    String module =
        handler.getBeanType().getPackageName().replaceAll("org\\.biokinet\\.app\\.?|\\..*", "");
    return new Route(method, path, module, names, form, body);
  }

  /** Somebody who asks. */
  private record Asker(String label, @Nullable Me me, @Nullable Cookie device) {}

  private List<Asker> askers(Practice practice, Me of, Client client) {
    List<Asker> askers = new ArrayList<>();
    for (Role role : Role.values())
      askers.add(new Asker(role.name(), person(practice, role), null));
    askers.add(new Asker("client", null, device(of, client)));
    askers.add(new Asker("nobody", null, null));
    return askers;
  }

  @Test
  void nothingBreaksAndNothingIsStoredByHalves() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client mine = client(me);
    share(me, mine, "upper-trap-stretch", "2x15s", "chin-tuck", "3x10s");
    Me stranger = practitioner();
    Client theirs = client(stranger);
    share(stranger, theirs, "chin-tuck", "3x10s");
    long before = rowsOf(theirs);
    List<Route> routes = routes();
    assertThat(routes).hasSizeGreaterThan(80);
    List<Asker> askers = askers(practice, me, mine);
    for (Route route : routes) {
      Asker who = whoMay(route, askers);
      // Each parameter with each odd value, the rest well meant.
      for (String name : route.taken()) {
        for (String odd : ODD) ask(route, who, mine, theirs, Map.of(name, odd));
      }
      if (route.form()) {
        Set<String> own = FIELDS.getOrDefault(route.module(), Set.of());
        assertThat(own).as(route.label()).isNotEmpty();
        for (String name : own) {
          ask(route, who, mine, theirs, Map.of(name, odd()));
          ask(route, who, mine, theirs, Map.of(name, LONG_AGO));
        }
        // Whatever is a field of others it does not read, so they are odd all at once.
        for (String odd : ODD) {
          Map<String, String> others = new TreeMap<>();
          for (String name : ALL_FIELDS) if (!own.contains(name)) others.put(name, odd);
          ask(route, who, mine, theirs, others);
        }
      }
      for (Asker asker : askers) {
        for (int i = 0; i < ROUNDS; i++) ask(route, asker, mine, theirs, Map.of());
      }
    }
    assertThat(broken).as("answers " + answers).isEmpty();
    assertThat(rowsOf(theirs)).as("of another practice").isEqualTo(before);
    // It is no use to be turned away at the door everywhere.
    assertThat(answers.getOrDefault(200, 0)).isGreaterThan(300);
    assertThat(answers.getOrDefault(302, 0)).isGreaterThan(300);
  }

  /** The same writing request from several tabs at once, at every writing address. */
  @Test
  void collidingWritesAreAnswered() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client mine = client(me);
    share(me, mine, "upper-trap-stretch", "2x15s", "chin-tuck", "3x10s");
    for (Asker asker : askers(practice, me, mine)) {
      if (asker.label().equals("nobody")) continue;
      for (Route route : routes()) {
        if (!route.writes() || route.path().equals("/sign-in")) continue;
        Map<String, String> values = values(route, mine, mine, 1);
        String body = route.body() ? body(mine, 1) : "";
        String path = path(route, mine, mine, 1, Map.of());
        atOnce(
            3,
            () -> {
              try {
                int status =
                    mvc.perform(built(route, asker, path, values, body))
                        .andReturn()
                        .getResponse()
                        .getStatus();
                if (status >= 500) broken.putIfAbsent(route.label(), values + " → " + status);
              } catch (Exception e) {
                broken.putIfAbsent(route.label(), values + " → " + e);
              }
            });
      }
    }
    assertThat(broken).isEmpty();
  }

  private final Map<String, String> broken = new ConcurrentSkipListMap<>();
  private final Map<Integer, Integer> answers = new TreeMap<>();
  private Map<String, Long> rows = Map.of();
  private long seen;

  /** Who is let in there, so that it is no use only to be turned away at the door. */
  private static Asker whoMay(Route route, List<Asker> askers) {
    String label =
        route.path().startsWith("/me")
            ? "client"
            : route.path().startsWith("/c/") ? "nobody" : "OWNER";
    return askers.stream().filter(a -> a.label().equals(label)).findFirst().orElseThrow();
  }

  /** Asks once, with these values where they are given, and notes what broke. */
  private void ask(Route route, Asker asker, Client mine, Client theirs, Map<String, String> given)
      throws Exception {
    double wellMeant = given.isEmpty() ? random.nextDouble() : 1;
    Map<String, String> values = values(route, mine, theirs, wellMeant);
    given.forEach((name, value) -> values.computeIfPresent(name, (n, v) -> value));
    String path = path(route, mine, theirs, Math.max(wellMeant, 0.7), given);
    String body = route.body() ? body(mine, given.isEmpty() ? wellMeant : 0.2) : "";
    String all = "%s %s %s".formatted(path, values, body);
    String asked = all.length() > 300 ? all.substring(0, 300) : all;
    String who = route.label() + " as " + asker.label();
    int status;
    try {
      MockHttpServletResponse answer =
          mvc.perform(built(route, asker, path, values, body)).andReturn().getResponse();
      status = answer.getStatus();
    } catch (Exception e) {
      broken.putIfAbsent(who, asked + " → " + (e.getCause() == null ? e : e.getCause()));
      status = 0;
    }
    answers.merge(status, 1, Integer::sum);
    if (status >= 500) broken.putIfAbsent(who, asked + " → " + status);
    if (!route.writes()) return;
    // Counting every table is dear: it is done only when the server says that rows were touched.
    long touched = touched();
    if (touched == seen) return;
    Map<String, Long> now = rows();
    boolean refused = status == 0 || status >= 400;
    if (refused && !rows.isEmpty() && !now.equals(rows)) {
      broken.putIfAbsent(who, asked + " → " + status + ", but something was stored");
    }
    seen = touched;
    rows = now;
  }

  private MockHttpServletRequestBuilder built(
      Route route, Asker asker, String path, Map<String, String> values, String body) {
    MockHttpServletRequestBuilder asked =
        request(route.method(), java.net.URI.create(path)).with(csrf());
    values.forEach(asked::param);
    if (random.nextBoolean()) asked.header("HX-Request", "true");
    if (asker.me() != null) asked.with(signedIn(asker.me()));
    if (asker.device() != null) asked.cookie(asker.device());
    if (route.body()) asked.contentType(MediaType.APPLICATION_JSON).content(body);
    return asked;
  }

  private String path(
      Route route, Client mine, Client theirs, double wellMeant, Map<String, String> given) {
    Matcher names = Pattern.compile("\\{([^}]*)}").matcher(route.path());
    return names.replaceAll(
        m -> {
          String name = m.group(1).replaceAll(":.*", "");
          String value = given.getOrDefault(name, value(name, mine, theirs, wellMeant));
          // No server lets an empty step or an encoded slash through to a controller.
          String step = value.isBlank() || value.contains("/") ? "x" : value;
          return Matcher.quoteReplacement(
              java.net.URLEncoder.encode(step, StandardCharsets.UTF_8).replace("+", "%20"));
        });
  }

  private Map<String, String> values(Route route, Client mine, Client theirs, double wellMeant) {
    List<String> names = new ArrayList<>(route.names());
    if (route.form()) names.addAll(ALL_FIELDS);
    Map<String, String> values = new LinkedHashMap<>();
    for (String name : names) {
      boolean left = random.nextDouble() > 0.5 + wellMeant / 2;
      if (!left) values.put(name, value(name, mine, theirs, wellMeant));
    }
    return values;
  }

  private String value(String name, Client mine, Client theirs, double wellMeant) {
    if (random.nextDouble() > wellMeant) {
      return random.nextInt(6) == 0 ? theirs.getId().toString() : odd();
    }
    if (name.matches("practitioner|of|colleague|who|cover"))
      return mine.practitionerId().toString();
    if (name.matches("id|client|duplicate|photograph|about|token")) {
      return mine.getId().toString();
    }
    List<String> good = WELL_MEANT.getOrDefault(name, List.of("1"));
    return good.get(random.nextInt(good.size()));
  }

  private String odd() {
    return ODD.get(random.nextInt(ODD.size()));
  }

  /** Names of fields by module, as they stand in its templates. */
  private static final Map<String, Set<String>> FIELDS = fields();

  private static final Set<String> ALL_FIELDS = allFields();

  private static Map<String, Set<String>> fields() {
    Map<String, Set<String>> fields = new TreeMap<>();
    Pattern named = Pattern.compile("\\bname=\"\\|?([a-zA-Z0-9-]+)(?:\\$\\{[^}]*})?\\|?\"");
    Path all = Path.of("src/main/resources/templates");
    try (Stream<Path> files = Files.walk(all)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) {
        Set<String> names =
            fields.computeIfAbsent(
                all.relativize(file).getName(0).toString(), m -> new TreeSet<>());
        Matcher m = named.matcher(Files.readString(file));
        while (m.find()) names.add(m.group(1) + (m.group(1).endsWith("-") ? "1" : ""));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return fields;
  }

  private static Set<String> allFields() {
    // Some are filled into a fragment.
    Set<String> names =
        new TreeSet<>(
            List.of(
                "birthDate", "phone", "zone", "work", "deskHours", "screens", "minutes", "times"));
    for (Pace p : Pace.values()) names.add(p.code());
    for (Threshold t : Threshold.values()) names.add(t.code());
    FIELDS.values().forEach(names::addAll);
    return names;
  }

  /** A session with some of its fields bent; or no session at all. */
  private String body(Client mine, double wellMeant) throws Exception {
    List<String> whole =
        List.of("null", "[]", "{}", "7", "\"x\"", "{", "[null]", "[[[[[[[[]]]]]]]]", "[{}]");
    if (random.nextDouble() > wellMeant + 0.5) return whole.get(random.nextInt(whole.size()));
    ObjectNode sent =
        random.nextBoolean()
            ? json.valueToTree(session(mine, clock.instant(), Ended.EARLY))
            : (ObjectNode)
                json.readTree(
                    """
                    {"facing":"LEFT","plumbTop":{"x":0,"y":0},"plumbBottom":{"x":0,"y":9},
                     "tragus":{"x":1,"y":1},"c7":{"x":4,"y":4},"shoulder":{"x":3,"y":8}}
                    """);
    List<JsonNode> odd =
        List.of(
            json.nullNode(),
            json.readTree("-1"),
            json.readTree("2.9"),
            json.readTree("1e308"),
            json.readTree("99999999999999999999"),
            json.readTree("[]"),
            json.readTree("{}"),
            json.readTree("true"),
            TextNode.valueOf("NaN"),
            TextNode.valueOf("x".repeat(70_000)),
            TextNode.valueOf("\u0000"));
    for (String name : new TreeSet<>(names(sent))) {
      if (random.nextDouble() > Math.max(wellMeant, 0.6)) {
        sent.set(name, odd.get(random.nextInt(odd.size())));
      }
    }
    if (random.nextInt(5) > 0) return json.writeValueAsString(sent);
    ArrayNode several = json.createArrayNode();
    for (int i = 0; i < 5; i++) several.add(sent);
    return json.writeValueAsString(several);
  }

  private static List<String> names(ObjectNode node) {
    List<String> names = new ArrayList<>();
    node.fieldNames().forEachRemaining(names::add);
    return names;
  }

  /**
   * How many rows each table has that a change may touch. What a second person would have changed
   * in a draft is refused and kept as refused, which is no change.
   */
  private Map<String, Long> rows() {
    String all =
        tables().stream()
            .map(
                t ->
                    "select '%s' as t, count(*) as n from `%s`%s"
                        .formatted(t, t, t.equals("draft_entry") ? " where kind <> 'REFUSED'" : ""))
            .collect(Collectors.joining(" union all "));
    Map<String, Long> rows = new TreeMap<>();
    jdbc.query(
        all,
        r -> {
          rows.put(r.getString(1), r.getLong(2));
        });
    return rows;
  }

  /** How many rows were ever written here, by the server's own count; what is beside left out. */
  private long touched() {
    Long sum =
        jdbc.queryForObject(
            "select coalesce(sum(rows_changed), 0) from information_schema.table_statistics"
                + " where table_schema = database() and not table_name regexp ?",
            Long.class,
            "^(" + BESIDE + ")$");
    // It stays at nothing where the server does not count: then nothing would ever be found.
    assertThat(sum).as("rows written, as the server counts them").isPositive();
    return sum;
  }

  private List<String> tables = List.of();

  private List<String> tables() {
    if (tables.isEmpty()) {
      tables =
          jdbc
              .queryForList(
                  "select table_name from information_schema.tables where table_schema = database()",
                  String.class)
              .stream()
              .filter(t -> !t.matches(BESIDE))
              .toList();
    }
    return tables;
  }

  /** Everything that names this client. */
  private long rowsOf(Client client) {
    List<String> named =
        jdbc.queryForList(
            "select table_name from information_schema.columns where table_schema = database()"
                + " and column_name = 'client_id'",
            String.class);
    long rows = 0;
    for (String table : named) {
      Long n =
          jdbc.queryForObject(
              "select count(*) from `%s` where client_id = ?".formatted(table),
              Long.class,
              client.getId().toString());
      rows += n == null ? 0 : n;
    }
    return rows;
  }
}
