package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.persistence.EntityManagerFactory;
import jakarta.servlet.http.Cookie;
import java.util.Set;
import org.biokinet.app.client.Client;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.Ended;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What a page costs in statements to the database, and that it does not grow with clients. */
class StatementTest extends AppTest {

  @Autowired EntityManagerFactory factory;
  @Autowired MeasurementService measurements;

  private long statements(MockHttpServletRequestBuilder request) throws Exception {
    Statistics statistics = factory.unwrap(SessionFactory.class).getStatistics();
    statistics.setStatisticsEnabled(true);
    mvc.perform(request).andExpect(status().isOk()); // what a process keeps is kept by now
    long before = statistics.getPrepareStatementCount();
    mvc.perform(request).andExpect(status().isOk());
    return statistics.getPrepareStatementCount() - before;
  }

  /** One with everything: screened, measured, two versions and a draft, sessions. */
  private Client busy(Me me) {
    Client client = client(me);
    screen(me, client, Set.of(), Set.of(), Set.of("knee"));
    Readings.Reading read = Readings.parse("30 32", Motion.NECK_ROTATION, Readings.Protocol.USUAL);
    measurements.save(
        me,
        client.getId(),
        new Measured.Range(
            Motion.NECK_ROTATION,
            Side.LEFT,
            ((Readings.Reading.Ok) read).readings(),
            Measured.Source.TYPED));
    share(me, client, "chin-tuck", "3x10s", "upper-trap-stretch", "2x20s @3");
    share(me, client, "shoulder-roll", "6");
    for (int i = 0; i < 3; i++) {
      sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    }
    drafts.undo(me, client.getId(), ProgramKind.MAIN, 0);
    return client;
  }

  /** The most that a page may cost, and a fragment that comes with every pause in typing. */
  @Test
  void everyPageKeepsToItsNumber() throws Exception {
    Me me = practitioner();
    Client client = busy(me);
    String c = "/clients/" + client.getId();
    Cookie device = device(me, client);
    String key = drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().get(0).key();
    assertThat(statements(as(me, get("/")))).as("worklist").isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get("/find?q=a")))).as("find").isLessThanOrEqualTo(6);
    assertThat(statements(as(me, get(c + "/screen")))).as("Screen").isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get(c + "/measure")))).as("Measure").isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get(c + "/plan")))).as("Plan").isLessThanOrEqualTo(12);
    assertThat(statements(as(me, get(c + "/weeks")))).as("Weeks").isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get(c + "/do")))).as("Do").isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get(c + "/review")))).as("Review").isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get(c + "/review/decisions"))))
        .as("what it would decide")
        .isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get(c + "/about")))).as("About").isLessThanOrEqualTo(15);
    assertThat(
            statements(
                as(
                    me,
                    get(c + "/plan/live")
                        .header("HX-Request", "true")
                        .param("key", key)
                        .param("dose", "3x12s"))))
        .as("live")
        .isLessThanOrEqualTo(6);
    assertThat(statements(get("/me/today").cookie(device))).as("Today").isLessThanOrEqualTo(15);
  }

  @Test
  void noListGrowsWithClients() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me desk = person(practice, Role.FRONT_DESK);
    Client first = client(me);
    String about = "/clients/" + first.getId() + "/about";
    long worklist = statements(as(me, get("/")));
    long front = statements(as(desk, get("/desk")));
    long page = statements(as(me, get(about)));
    for (int i = 0; i < 12; i++) unscreened(me);
    assertThat(statements(as(me, get("/")))).isEqualTo(worklist);
    assertThat(statements(as(desk, get("/desk")))).isEqualTo(front).isLessThanOrEqualTo(15);
    assertThat(statements(as(me, get(about)))).isEqualTo(page);
  }
}
