package org.biokinet.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Queries as a practitioner types them; invented, and what each should bring among the first. */
class SearchTest {

  private static final int AMONG = 6;
  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Search SEARCH = new Search(CATALOGUE, CATALOGUE.all(), Locale.ENGLISH);

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          back of neck                       | neck-flexor-pull
          pec doorway without a door         | goalpost-chest-opener
          trap                               | upper-trap-stretch
          traps                              | upper-trap-stretch
          chin tuck                          | chin-tuck
          double chin                        | chin-tuck
          forward head                       | chin-tuck
          levator                            | levator-stretch
          nose to armpit                     | levator-stretch
          scalene                            | scalene-stretch-arm-behind
          scm                                | anterior-neck-stretch-tilt
          base of skull                      | suboccipital-stretch
          tension headache                   | suboccipital-stretch
          front of neck                      | anterior-neck-stretch
          ear to shoulder                    | neck-lateral-flexion
          shoulder check                     | neck-rotation
          neck circles                       | full-neck-circle
          pecs                               | floor-pec-stretch
          rounded shoulders                  | hands-behind-back-lift
          between shoulder blades            | crossed-arm-wrap
          hug                                | crossed-arm-wrap
          back of shoulder                   | cross-body-stretch
          lats chair                         | chair-lat-stretch
          child pose                         | childs-pose
          cat cow                            | cat-cow
          open book                          | open-book
          thoracic extension roller          | thoracic-extension-over-support
          twist chair                        | seated-trunk-rotation
          side bend                          | seated-side-bend
          wrist stretch mouse                | wrist-flexor-stretch
          tennis elbow                       | wrist-extensor-stretch
          hip flexor                         | half-kneel-hip-rock
          piriformis                         | glute-stretch
          belly breathing                    | diaphragmatic-breathing
          20 20 20 screen break              | distance-gaze
          wall angels                        | wall-slide
          serratus                           | scapular-glide-all-fours
          back scratch                       | hands-behind-back-reach
          forward fold                       | seated-forward-fold
          upper trapezuis                    | upper-trap-stretch
          strech levator                     | levator-stretch
          """)
  void aPractitionersWordsFindIt(String query, String id) {
    assertThat(ids(SEARCH.find(query))).as(query).isNotEmpty();
    assertThat(ids(SEARCH.find(query)).stream().limit(AMONG).toList()).as(query).contains(id);
  }

  /** The motion that is named comes before whatever has a part of it. */
  @ParameterizedTest
  @CsvSource({
    "neck flex, neck-flexion-extension",
    "neck tilt, neck-lateral-flexion",
    "neck rot, neck-rotation",
    "neck lateral, neck-lateral-flexion",
    "chin tuck, chin-tuck",
    "neck circle, full-neck-circle"
  })
  void theNamedMotionIsFirst(String query, String id) {
    assertThat(ids(SEARCH.find(query)).get(0)).isEqualTo(id);
  }

  @Test
  void whatCannotBeDoneIsLeftOut() {
    assertThat(SEARCH.find("can't kneel"))
        .hasSizeGreaterThan(80)
        .noneMatch(e -> Position.KNEEL == e.usualPosition() && e.positions().size() == 1)
        .noneMatch(e -> e.positions().equals(List.of(Position.ALL_FOURS)));
    assertThat(SEARCH.find("chest without a roller"))
        .isNotEmpty()
        .noneMatch(e -> e.equipment().contains(Equipment.ROLLER));
    assertThat(SEARCH.find("lats no overhead"))
        .noneMatch(e -> e.precautions().contains(Precaution.GH_ELEV));
    assertThat(SEARCH.find("neck stretch no hand on head"))
        .isNotEmpty()
        .noneMatch(e -> e.precautions().contains(Precaution.OVERPRESSURE));
    assertThat(SEARCH.find("thoracic rotation not on the floor"))
        .isNotEmpty()
        .allMatch(e -> e.positions().stream().anyMatch(p -> !p.onFloor()));
    Wanted both = SEARCH.understood("lat stretch, can't kneel or lie face down");
    assertThat(both.positions())
        .containsExactlyInAnyOrder(Position.KNEEL, Position.ALL_FOURS, Position.PRONE);
    assertThat(both.words()).isEqualTo("lat stretch");
    assertThat(both.ruledOut()).containsExactly("kneeling", "lying face down", "on all fours");
  }

  @Test
  void halfTypedWordsFindWhatIsMeantAndNonsenseFindsNothing() {
    assertThat(ids(SEARCH.find("levat"))).startsWith("levator-stretch");
    assertThat(ids(SEARCH.find("suboc")).get(0)).startsWith("suboccipital");
    assertThat(SEARCH.find("qqqq zzzz")).isEmpty();
    assertThat(SEARCH.find("no such")).isEmpty();
    assertThat(SEARCH.find("  ")).isEqualTo(CATALOGUE.all());
    // Signs of a query language mean nothing here.
    assertThat(SEARCH.find("name:[* TO *] \"(")).isNotNull();
  }

  @Test
  void positionsAndEquipmentNarrowTheHits() {
    assertThat(SEARCH.find("standing chest"))
        .isNotEmpty()
        .allMatch(e -> e.positions().contains(Position.STAND));
  }

  private static List<String> ids(List<Exercise> found) {
    List<String> ids = new ArrayList<>();
    for (Exercise e : found) ids.add(e.id());
    return ids;
  }
}
