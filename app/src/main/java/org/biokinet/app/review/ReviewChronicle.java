package org.biokinet.app.review;

import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.springframework.stereotype.Component;

/** What was decided, item by item and side by side. */
@Component
class ReviewChronicle implements Chronicle {

  private final ReviewService reviews;

  ReviewChronicle(ReviewService reviews) {
    this.reviews = reviews;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return reviews.all(client.getId()).stream()
        .map(ReviewChronicle::happened)
        .filter(h -> h.in(from, until))
        .toList();
  }

  private static Happened happened(ReviewService.Made made) {
    String became =
        made.toVersion().isEmpty()
            ? "stays"
            : "becomes version %d%s"
                .formatted(made.toVersion().getAsInt(), made.shared() ? "" : ", a draft");
    return new Happened(
        made.at(),
        Happened.Kind.REVIEW,
        "Reviewed%s: version %d %s"
            .formatted(made.byItself() ? " by itself" : "", made.ofVersion(), became),
        made.decided().stream().map(KeptDecision::inFull).collect(Collectors.joining("\n")),
        made.by());
  }
}
