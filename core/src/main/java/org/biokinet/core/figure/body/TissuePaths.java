package org.biokinet.core.figure.body;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.Resources;

/**
 * How long each muscle is in a pose: a line from origin to insertion over via points, each fixed to
 * a part. Attachments after Gray's Anatomy, recalled from memory; their coordinates are our choice.
 * The estimate is geometric, not clinical: it says which way a tissue changes, and roughly by how
 * much, not how strongly anybody feels it.
 */
public final class TissuePaths {

  private record Anchor(Part part, Vec local) {
    Vec in(Skeleton body, Side side) {
      return side == Side.LEFT
          ? body.point(part, local)
          : body.point(part.mirrored(), local.mirrored());
    }
  }

  private static final TissuePaths SHIPPED = new TissuePaths();

  private final Map<Tissue, List<Anchor>> paths = new EnumMap<>(Tissue.class);
  private final Skeleton neutral = Skeleton.of(Pose.resting(Base.STAND));

  private TissuePaths() {
    for (String line : Resources.text(TissuePaths.class, "tissues.txt").split("\n", -1)) {
      if (line.isBlank() || line.startsWith("#")) continue;
      int colon = line.indexOf(':');
      String code = line.substring(0, colon).strip();
      Tissue tissue =
          Coded.find(Tissue.class, code)
              .orElseThrow(() -> new CatalogueException("no tissue is called " + code));
      List<Anchor> anchors = new ArrayList<>();
      for (String point : line.substring(colon + 1).split(";", -1)) {
        String[] words = point.strip().split("\\s+", -1);
        anchors.add(
            new Anchor(
                Part.named(words[0]),
                new Vec(
                    Double.parseDouble(words[1]),
                    Double.parseDouble(words[2]),
                    Double.parseDouble(words[3]))));
      }
      paths.put(tissue, List.copyOf(anchors));
    }
  }

  public static TissuePaths shipped() {
    return SHIPPED;
  }

  /** Whether there is a line for it: there is for muscles, and for nothing else. */
  public boolean has(Tissue tissue) {
    return paths.containsKey(tissue);
  }

  /** The points of a tissue's line, in centimetres, from origin to insertion. */
  public List<Vec> line(Skeleton body, Tissue tissue, Side side) {
    return Optional.ofNullable(paths.get(tissue)).orElse(List.of()).stream()
        .map(a -> a.in(body, side))
        .toList();
  }

  /** In centimetres. */
  public double length(Skeleton body, Tissue tissue, Side side) {
    List<Vec> line = line(body, tissue, side);
    double length = 0;
    for (int i = 1; i < line.size(); i++) length += line.get(i).minus(line.get(i - 1)).length();
    return length;
  }

  /** The share by which it is longer than standing at rest; negative when shorter. */
  public double lengthening(Skeleton body, Tissue tissue, Side side) {
    if (!has(tissue)) throw new IllegalArgumentException(tissue + " has no line");
    return length(body, tissue, side) / length(neutral, tissue, side) - 1;
  }
}
