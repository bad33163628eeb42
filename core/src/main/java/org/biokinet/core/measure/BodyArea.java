package org.biokinet.core.measure;

import static org.biokinet.core.measure.Aim.lengthen;
import static org.biokinet.core.measure.Aim.mobilise;
import static org.biokinet.core.measure.Aim.strengthen;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.figure.body.Part;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.draw.BodyOutline;

/**
 * Where on the body something is felt: fourteen regions that open into about forty areas, on the
 * front or the back. The division, and which muscles lie under an area, are our choice after common
 * anatomy, no source.
 */
@SuppressWarnings("ImmutableEnumChecker") // lists are never written
public enum BodyArea implements Coded {
  FOREHEAD("forehead", Region.HEAD, View.FRONT, Part.HEAD, 3, 11.5, 6, 3.2, 2.4),
  TEMPLE("temple", Region.HEAD, View.FRONT, Part.HEAD, 6.3, 8.5, 3, 1.8, 2.4),
  JAW("jaw", Region.FACE, View.FRONT, Part.HEAD, 4.2, 2.5, 5, 2.4, 2),
  CHEEK("cheek", Region.FACE, View.FRONT, Part.HEAD, 3, 6, 6, 2.4, 1.8),
  CROWN("crown", Region.BACK_OF_HEAD, View.BACK, Part.HEAD, 3, 12.5, -4, 3.4, 2.6),
  OCCIPUT(
      "base of the skull",
      Region.BACK_OF_HEAD,
      View.BACK,
      Part.HEAD,
      3.2,
      5,
      -7,
      3.2,
      2.4,
      lengthen(Tissue.SUBOCCIPITALS)),
  THROAT("throat", Region.FRONT_OF_NECK, View.FRONT, Part.NECK, 1.7, 5, 4, 1.6, 3.4),
  SIDE_OF_NECK(
      "side of the neck",
      Region.FRONT_OF_NECK,
      View.FRONT,
      Part.NECK,
      4.4,
      5.5,
      1,
      1.5,
      3.4,
      lengthen(Tissue.SCALENES),
      lengthen(Tissue.SCM)),
  UPPER_NECK(
      "upper neck",
      Region.BACK_OF_NECK,
      View.BACK,
      Part.NECK,
      2.4,
      9,
      -4,
      2.4,
      2.4,
      lengthen(Tissue.SUBOCCIPITALS),
      lengthen(Tissue.NECK_EXTENSORS)),
  LOWER_NECK(
      "lower neck",
      Region.BACK_OF_NECK,
      View.BACK,
      Part.NECK,
      2.4,
      3.5,
      -4,
      2.6,
      2.6,
      lengthen(Tissue.LEVATOR),
      lengthen(Tissue.NECK_EXTENSORS)),
  COLLARBONE(
      "collarbone",
      Region.FRONT_OF_SHOULDER,
      View.FRONT,
      Part.LEFT_CLAVICLE,
      8,
      0.5,
      2,
      5.4,
      2.2,
      lengthen(Tissue.SCALENES)),
  SHOULDER_FRONT(
      "front of the shoulder",
      Region.FRONT_OF_SHOULDER,
      View.FRONT,
      Part.LEFT_UPPER_ARM,
      0.5,
      -3,
      3,
      3.6,
      4.6,
      lengthen(Tissue.ANTERIOR_DELTOID),
      lengthen(Tissue.PEC_MINOR)),
  SHOULDER_OUTSIDE(
      "outside of the shoulder",
      Region.FRONT_OF_SHOULDER,
      View.FRONT,
      Part.LEFT_UPPER_ARM,
      4,
      -8,
      0,
      2.4,
      4),
  TOP_OF_SHOULDER(
      "top of the shoulder",
      Region.TOP_OF_SHOULDER,
      View.BACK,
      Part.LEFT_CLAVICLE,
      5.5,
      6.2,
      -4,
      5.4,
      2.4,
      lengthen(Tissue.UPPER_TRAP),
      lengthen(Tissue.LEVATOR)),
  SHOULDER_BLADE(
      "shoulder blade",
      Region.BACK_OF_SHOULDER,
      View.BACK,
      Part.THORAX,
      9.5,
      14,
      -8,
      4.4,
      5,
      strengthen(Tissue.MID_TRAP),
      strengthen(Tissue.LOWER_TRAP),
      lengthen(Tissue.PEC_MAJOR)),
  SHOULDER_BACK(
      "back of the shoulder",
      Region.BACK_OF_SHOULDER,
      View.BACK,
      Part.LEFT_UPPER_ARM,
      0.5,
      -4,
      -3,
      3.6,
      4.6,
      lengthen(Tissue.POSTERIOR_DELTOID)),
  BESIDE_SPINE(
      "between spine and blade",
      Region.UPPER_BACK,
      View.BACK,
      Part.THORAX,
      3,
      16,
      -8,
      2.6,
      6,
      strengthen(Tissue.MID_TRAP),
      strengthen(Tissue.LOWER_TRAP),
      lengthen(Tissue.PEC_MAJOR),
      lengthen(Tissue.PEC_MINOR)),
  MID_BACK(
      "middle of the back",
      Region.UPPER_BACK,
      View.BACK,
      Part.THORAX,
      5,
      5,
      -8,
      5,
      4.6,
      strengthen(Tissue.THORACIC_EXTENSORS),
      mobilise(Tissue.THORACIC_EXTENSION)),
  UPPER_CHEST("upper chest", Region.CHEST, View.FRONT, Part.THORAX, 6.5, 17, 8, 5, 3.4),
  LOWER_CHEST("lower chest", Region.CHEST, View.FRONT, Part.THORAX, 6, 9, 8, 5, 4),
  RIBS("ribs", Region.CHEST, View.FRONT, Part.THORAX, 9, 2, 5, 3.4, 3.6),
  UPPER_ARM_FRONT(
      "front of the upper arm",
      Region.UPPER_ARM,
      View.FRONT,
      Part.LEFT_UPPER_ARM,
      0.5,
      -16,
      3,
      3.2,
      5.4),
  UPPER_ARM_BACK(
      "back of the upper arm",
      Region.UPPER_ARM,
      View.BACK,
      Part.LEFT_UPPER_ARM,
      0.5,
      -16,
      -3,
      3.2,
      5.4,
      lengthen(Tissue.TRICEPS)),
  ELBOW_FRONT(
      "inside of the elbow", Region.FOREARM, View.FRONT, Part.LEFT_FOREARM, 0, -1, 3, 2.8, 2.8),
  ELBOW_BACK(
      "point of the elbow", Region.FOREARM, View.BACK, Part.LEFT_FOREARM, 0, -1, -3, 2.8, 2.8),
  FOREARM_FRONT(
      "forearm, palm side",
      Region.FOREARM,
      View.FRONT,
      Part.LEFT_FOREARM,
      0,
      -12,
      2,
      2.6,
      6,
      lengthen(Tissue.WRIST_FLEXORS)),
  FOREARM_BACK(
      "forearm, back",
      Region.FOREARM,
      View.BACK,
      Part.LEFT_FOREARM,
      0,
      -12,
      -2,
      2.6,
      6,
      lengthen(Tissue.WRIST_EXTENSORS)),
  WRIST_FRONT("wrist, palm side", Region.HAND, View.FRONT, Part.LEFT_HAND, 0, -1, 1, 2.3, 2),
  WRIST_BACK("wrist, back", Region.HAND, View.BACK, Part.LEFT_HAND, 0, -1, -1, 2.3, 2),
  PALM("palm", Region.HAND, View.FRONT, Part.LEFT_HAND, 0, -6, 1, 2.6, 2.8),
  BACK_OF_HAND("back of the hand", Region.HAND, View.BACK, Part.LEFT_HAND, 0, -6, -1, 2.6, 2.8),
  FINGERS("fingers", Region.HAND, View.FRONT, Part.LEFT_HAND, 0, -13, 1, 2.6, 3.6),
  BELLY("belly", Region.BELLY_AND_HIP, View.FRONT, Part.PELVIS, 5, 14, 8, 5, 5.6),
  GROIN("groin", Region.BELLY_AND_HIP, View.FRONT, Part.PELVIS, 7, -2, 6, 3.6, 3.6),
  LOW_BACK("low back", Region.LOW_BACK, View.BACK, Part.PELVIS, 4.5, 13, -8, 4.5, 5.4),
  BUTTOCK(
      "buttock",
      Region.LOW_BACK,
      View.BACK,
      Part.PELVIS,
      7,
      -1,
      -8,
      6,
      5.6,
      lengthen(Tissue.GLUTES)),
  THIGH_FRONT("front of the thigh", Region.LEG, View.FRONT, Part.LEFT_THIGH, 0, -20, 5, 5, 11),
  THIGH_BACK(
      "back of the thigh",
      Region.LEG,
      View.BACK,
      Part.LEFT_THIGH,
      0,
      -20,
      -5,
      5,
      11,
      lengthen(Tissue.HAMSTRINGS)),
  KNEE("knee", Region.LEG, View.FRONT, Part.LEFT_SHANK, 0, 0, 4, 4, 4),
  SHIN("shin", Region.LEG, View.FRONT, Part.LEFT_SHANK, 0, -20, 3, 3.6, 10),
  CALF("calf", Region.LEG, View.BACK, Part.LEFT_SHANK, 0, -14, -3, 4, 10);

  /** What an area belongs to; what is marked first. */
  public enum Region {
    HEAD("head"),
    FACE("face and jaw"),
    BACK_OF_HEAD("back of the head"),
    FRONT_OF_NECK("front of the neck"),
    BACK_OF_NECK("back of the neck"),
    FRONT_OF_SHOULDER("front of the shoulder"),
    TOP_OF_SHOULDER("top of the shoulder"),
    BACK_OF_SHOULDER("back of the shoulder"),
    UPPER_BACK("upper back"),
    CHEST("chest"),
    UPPER_ARM("upper arm"),
    FOREARM("forearm and elbow"),
    HAND("hand"),
    BELLY_AND_HIP("belly and groin"),
    LOW_BACK("low back and buttock"),
    LEG("leg");

    private final String label;

    Region(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }

    public List<BodyArea> areas() {
      return Arrays.stream(BodyArea.values()).filter(a -> a.region == this).toList();
    }
  }

  private final String label;
  private final Region region;
  private final View view;
  private final Part part;
  private final Vec local;
  private final double width;
  private final double height;
  private final List<Aim> aims;

  BodyArea(
      String label,
      Region region,
      View view,
      Part part,
      double x,
      double y,
      double z,
      double width,
      double height,
      Aim... aims) {
    this.label = label;
    this.region = region;
    this.view = view;
    this.part = part;
    this.local = new Vec(x, y, z);
    this.width = width;
    this.height = height;
    this.aims = List.copyOf(Arrays.asList(aims));
  }

  @Override
  public String code() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  public String label() {
    return label;
  }

  public Region region() {
    return region;
  }

  /** On which of the two outlines it is marked. */
  public View view() {
    return view;
  }

  /**
   * What is thought of when it aches, the most promising first. Between the shoulder blades the
   * back is long already, so it is strengthened and the front lengthened. Nothing where an ache is
   * not the business of a stretch: throat, chest, ribs, belly, groin, and the outside of the
   * shoulder, where pain is mostly told on from elsewhere.
   */
  List<Aim> aims() {
    return aims;
  }

  /** Whether a mark here asks for the signs of an emergency, whatever it feels like. */
  boolean asksForSigns() {
    return region == Region.CHEST || this == THROAT || this == BELLY || this == GROIN;
  }

  /**
   * An oval on the outline, in millimetres on paper.
   *
   * @param x to the right, of its middle
   * @param y down
   * @param rx half its width
   */
  public record Oval(double x, double y, double rx, double ry) {}

  /** Where it stands on its outline; the client's left is on the left in both. */
  public Oval oval(Side side) {
    Vec left = BodyOutline.of(view).at(part, local);
    double x = side == Side.LEFT ? -Math.abs(left.x()) : Math.abs(left.x());
    return new Oval(x, left.y(), 10 * width, 10 * height);
  }

  /** "left top of the shoulder". */
  public String on(Side side) {
    return side.label() + " " + label;
  }

  public static Optional<BodyArea> find(String code) {
    return Coded.find(BodyArea.class, code);
  }

  /** The areas whose name has words beginning with all of these; the very name beats others. */
  static List<BodyArea> called(List<String> words) {
    if (words.isEmpty()) return List.of();
    String whole = String.join(" ", words);
    List<BodyArea> exact = Arrays.stream(values()).filter(a -> a.label.equals(whole)).toList();
    return exact.isEmpty()
        ? Arrays.stream(values()).filter(a -> a.hasWords(words)).toList()
        : exact;
  }

  private boolean hasWords(List<String> words) {
    List<String> own = List.of(label.split("\\W+", -1));
    return words.stream().allMatch(w -> own.stream().anyMatch(o -> o.startsWith(w)));
  }
}
