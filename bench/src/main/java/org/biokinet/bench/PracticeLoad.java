package org.biokinet.bench;

import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * Whether a page costs more in a large practice than in a small one. First it makes two practices
 * out of a client of the demo, in the database; then, after the application was started anew and
 * has made its lists, it asks pages of both in turn and says what they took.
 *
 * <pre>
 * java -cp "bench/target/classes:bench/target/lib/*" org.biokinet.bench.PracticeLoad \
 *   fill jdbc:mariadb://127.0.0.1:PORT/biokinet USER PASSWORD 2000 500
 * java -cp bench/target/classes org.biokinet.bench.PracticeLoad measure http://127.0.0.1:8080
 * </pre>
 */
public final class PracticeLoad {

  private static final String MODEL = "Ines Caldeira";
  private static final String DEMO = "okafor@harbourlane.example";
  private static final String PASSWORD = "harbour-lane-demo";
  private static final int SMALL = 20;
  private static final String OVERVIEW = "/practice/overview";
  private static final int WARM_UP = 60;
  private static final int REQUESTS = 100;

  private PracticeLoad() {}

  public static void main(String[] arguments)
      throws SQLException, IOException, InterruptedException {
    if (arguments[0].equals("fill")) {
      try (Connection db = DriverManager.getConnection(arguments[1], arguments[2], arguments[3])) {
        int sessions = Integer.parseInt(arguments[5]);
        new Filler(db).practice("small", SMALL, sessions);
        new Filler(db).practice("large", Integer.parseInt(arguments[4]), sessions);
      }
    } else {
      measure(arguments[1]);
    }
  }

  private static void measure(String base) throws IOException, InterruptedException {
    List<Browser> owners = new ArrayList<>();
    List<Browser> desks = new ArrayList<>();
    List<String> about = new ArrayList<>();
    List<String> call = new ArrayList<>();
    List<String> pages = new ArrayList<>();
    for (String size : List.of("small", "large")) {
      Browser owner = new Browser(base, size + "@load.example", PASSWORD);
      owners.add(owner);
      desks.add(new Browser(base, size + "-desk@load.example", PASSWORD));
      String list = owner.get("/").body();
      pages.add(list);
      String client = "/clients/" + Browser.found(list, "id=\"row-([0-9a-f-]+)\"");
      about.add(client + "/about");
      call.add(client + "/call");
    }
    compare("worklist", size -> owners.get(size).get("/").statusCode());
    compare("worklist, mine", size -> owners.get(size).get("/?whose=MINE").statusCode());
    compare("front desk", size -> desks.get(size).get("/desk").statusCode());
    compare("About", size -> owners.get(size).get(about.get(size)).statusCode());
    // What comes in brings up where the client stands, in its own transaction.
    Map<String, String> called = Map.of("reached", "true", "said", "measured");
    compare(
        "a call, with where the client stands then, and the list",
        size -> owners.get(size).post(call.get(size), called, pages.get(size)).statusCode());
    compare("the practice as a whole", size -> owners.get(size).get(OVERVIEW).statusCode());
  }

  /** Asks for something in one of the two practices, and says with which status it was answered. */
  private interface Asking {
    int ask(int size) throws IOException, InterruptedException;
  }

  /** Of the two in turn, so that whatever else the machine does meets both. */
  private static void compare(String what, Asking asking) throws IOException, InterruptedException {
    double[][] millis = new double[2][REQUESTS];
    double[] first = new double[2];
    for (int i = -WARM_UP; i < REQUESTS; i++) {
      for (int size = 0; size < 2; size++) {
        long begin = System.nanoTime();
        int status = asking.ask(size);
        if (status != 200) throw new IllegalStateException(what + ": " + status);
        double took = (System.nanoTime() - begin) / 1e6;
        if (i >= 0) millis[size][i] = took;
        if (i == -WARM_UP) first[size] = took;
      }
    }
    for (double[] m : millis) Arrays.sort(m);
    double small = millis[0][REQUESTS / 2];
    double large = millis[1][REQUESTS / 2];
    System.out.printf(
        "%s: median %.1f ms in the small practice, %.1f ms in the large one, ratio %.2f; the first %.0f and %.0f ms%n",
        what, small, large, large / small, first[0], first[1]);
  }

  /** Copies rows inside the database, with other keys. */
  private record Filler(Connection db) {

    void practice(String name, int clients, int sessions) throws SQLException {
      long begin = System.nanoTime();
      String practice = UUID.randomUUID().toString();
      copy("practice", Map.of("id", q(practice), "name", q("Load " + name)), one("practice", DEMO));
      person(practice, name + "@load.example", "OWNER");
      person(practice, name + "-desk@load.example", "FRONT_DESK");
      String owner =
          "(select p.id from practitioner p where p.email = %s)"
              .formatted(q(name + "@load.example"));
      copy(
          "client",
          Map.of(
              "id",
              "uuid()",
              "practice_id",
              q(practice),
              "practitioner_id",
              owner,
              "name",
              "concat('Client ', s.seq)"),
          "from client t, seq_1_to_%d s where t.name = '%s'".formatted(clients, MODEL));
      String each =
          "join client m on m.id = t.client_id and m.name = '%s' join client c on c.practice_id = %s"
              .formatted(MODEL, q(practice));
      copy("screening", Map.of("id", "uuid()", "client_id", "c.id"), "from screening t " + each);
      copy(
          "program_version",
          Map.of("id", "uuid()", "client_id", "c.id"),
          "from program_version t " + each);
      String when = "utc_timestamp(6) - interval s.seq day - interval 1 hour";
      copy(
          "session_record",
          new LinkedHashMap<>(
              Map.of(
                  "id", "uuid()",
                  "client_id", "c.id",
                  "upload_id", "uuid()",
                  "program_version_id", "v.id",
                  "started_at", when,
                  "received_at", when,
                  "local_date", "date(%s)".formatted(when))),
          """
          from (select * from session_record where client_id in
              (select id from client where name = '%s') limit 1) t,
            client c join program_version v on v.client_id = c.id, seq_1_to_%d s
          where v.program = t.program and v.number = t.version and c.practice_id = %s
          """
              .formatted(MODEL, sessions, q(practice)));
      update(
          "insert into session_item select r.id, 0, 'BOTH', 60, 60, 30, 1, 1 from session_record r"
              + " join client c on c.id = r.client_id where c.practice_id = "
              + q(practice));
      update(
          "insert into gate_fact select uuid(), r.client_id, 'SESSION', r.started_at, r.received_at,"
              + " r.local_date from session_record r join client c on c.id = r.client_id where"
              + " c.practice_id = "
              + q(practice));
      System.out.printf(
          "%s: %d clients with %d sessions each, %d s%n",
          name, clients, sessions, (System.nanoTime() - begin) / 1_000_000_000);
    }

    private void person(String practice, String email, String role) throws SQLException {
      copy(
          "practitioner",
          Map.of("id", "uuid()", "practice_id", q(practice), "email", q(email), "role", q(role)),
          "from practitioner t where t.email = " + q(DEMO));
    }

    private static String one(String table, String email) {
      return "from %s t join practitioner p on p.practice_id = t.id where p.email = %s"
          .formatted(table, q(email));
    }

    private static String q(String text) {
      return "'" + text + "'";
    }

    /**
     * @param other the columns that are not copied, as expressions
     * @param from where the rows come from, called t
     */
    private void copy(String table, Map<String, String> other, String from) throws SQLException {
      List<String> columns = new ArrayList<>();
      try (PreparedStatement ask =
          db.prepareStatement(
              "select column_name from information_schema.columns where table_schema = database()"
                  + " and table_name = ? order by ordinal_position")) {
        ask.setString(1, table);
        try (ResultSet rows = ask.executeQuery()) {
          while (rows.next()) columns.add(rows.getString(1));
        }
      }
      update(
          "insert into %s (%s) select %s %s"
              .formatted(
                  table,
                  columns.stream().map(c -> "`" + c + "`").collect(Collectors.joining(", ")),
                  columns.stream()
                      .map(c -> other.getOrDefault(c, "t.`" + c + "`"))
                      .collect(Collectors.joining(", ")),
                  from));
    }

    private void update(String sql) throws SQLException {
      try (PreparedStatement statement = db.prepareStatement(sql)) {
        statement.executeUpdate();
      }
    }
  }
}
