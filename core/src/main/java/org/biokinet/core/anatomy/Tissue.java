package org.biokinet.core.anatomy;

/** What an exercise is aimed at: a muscle, a motion, a joint, a nerve. */
public enum Tissue implements Coded {
  UPPER_TRAP("upper-trap", "upper trapezius", Kind.MUSCLE, Region.NECK),
  MID_TRAP("mid-trap", "middle trapezius", Kind.MUSCLE, Region.UPPER_BACK),
  LOWER_TRAP("lower-trap", "lower trapezius", Kind.MUSCLE, Region.UPPER_BACK),
  LEVATOR("levator", "levator scapulae", Kind.MUSCLE, Region.NECK),
  SCALENES("scalenes", "scalenes", Kind.MUSCLE, Region.NECK),
  SCM("scm", "sternocleidomastoid", Kind.MUSCLE, Region.NECK),
  SUBOCCIPITALS("suboccipitals", "suboccipitals", Kind.MUSCLE, Region.NECK),
  NECK_EXTENSORS("neck-extensors", "neck extensors", Kind.MUSCLE, Region.NECK),
  ANTERIOR_NECK("anterior-neck", "anterior neck", Kind.MUSCLE, Region.NECK),
  DNF("dnf", "deep neck flexors", Kind.MUSCLE, Region.NECK),
  PEC_MAJOR("pec-major", "pectoralis major", Kind.MUSCLE, Region.CHEST),
  PEC_MINOR("pec-minor", "pectoralis minor", Kind.MUSCLE, Region.CHEST),
  RHOMBOIDS("rhomboids", "rhomboids", Kind.MUSCLE, Region.UPPER_BACK),
  SERRATUS("serratus", "serratus anterior", Kind.MUSCLE, Region.SHOULDER),
  LATS("lats", "latissimus dorsi", Kind.MUSCLE, Region.TRUNK),
  DELTOID("deltoid", "deltoid", Kind.MUSCLE, Region.SHOULDER),
  ANTERIOR_DELTOID("anterior-deltoid", "anterior deltoid", Kind.MUSCLE, Region.SHOULDER),
  POSTERIOR_DELTOID("posterior-deltoid", "posterior deltoid", Kind.MUSCLE, Region.SHOULDER),
  EXTERNAL_ROTATORS(
      "external-rotators", "shoulder external rotators", Kind.MUSCLE, Region.SHOULDER),
  TRICEPS("triceps", "triceps brachii", Kind.MUSCLE, Region.ARM),
  WRIST_FLEXORS("wrist-flexors", "wrist flexors", Kind.MUSCLE, Region.ARM),
  WRIST_EXTENSORS("wrist-extensors", "wrist extensors", Kind.MUSCLE, Region.ARM),
  THORACIC_EXTENSORS("thoracic-extensors", "thoracic extensors", Kind.MUSCLE, Region.UPPER_BACK),
  INTERCOSTALS("intercostals", "intercostals", Kind.MUSCLE, Region.TRUNK),
  OBLIQUES("obliques", "obliques", Kind.MUSCLE, Region.TRUNK),
  ANTERIOR_TRUNK("anterior-trunk", "anterior trunk", Kind.MUSCLE, Region.TRUNK),
  GLUTES("glutes", "gluteals", Kind.MUSCLE, Region.LEG),
  HAMSTRINGS("hamstrings", "hamstrings", Kind.MUSCLE, Region.LEG),
  HIP_FLEXORS("hip-flexors", "hip flexors", Kind.MUSCLE, Region.LEG),
  ADDUCTORS("adductors", "hip adductors", Kind.MUSCLE, Region.LEG),
  C_FLEXION("c-flexion", "neck flexion", Kind.MOTION, Region.NECK),
  C_EXTENSION("c-extension", "neck extension", Kind.MOTION, Region.NECK),
  C_ROTATION("c-rotation", "neck rotation", Kind.MOTION, Region.NECK),
  C_LATERAL("c-lateral", "neck lateral flexion", Kind.MOTION, Region.NECK),
  C_RETRACTION("c-retraction", "neck retraction", Kind.MOTION, Region.NECK),
  THORACIC_FLEXION("thoracic-flexion", "thoracic flexion", Kind.MOTION, Region.UPPER_BACK),
  THORACIC_EXTENSION("thoracic-extension", "thoracic extension", Kind.MOTION, Region.UPPER_BACK),
  THORACIC_ROTATION("thoracic-rotation", "thoracic rotation", Kind.MOTION, Region.UPPER_BACK),
  SCAPULA("scapula", "shoulder blade", Kind.JOINT, Region.SHOULDER),
  GH_JOINT("gh-joint", "shoulder joint", Kind.JOINT, Region.SHOULDER),
  ELBOW("elbow", "elbow", Kind.JOINT, Region.ARM),
  WRIST("wrist", "wrist", Kind.JOINT, Region.ARM),
  LUMBAR("lumbar", "lower back", Kind.JOINT, Region.TRUNK),
  HIP("hip", "hip", Kind.JOINT, Region.LEG),
  KNEE("knee", "knee", Kind.JOINT, Region.LEG),
  ANKLE("ankle", "ankle", Kind.JOINT, Region.LEG),
  FOOT("foot", "foot", Kind.JOINT, Region.LEG),
  NEURAL_ARM("neural-arm", "nerves of the arm", Kind.NERVE, Region.ARM),
  BREATH("breath", "breathing", Kind.OTHER, Region.WHOLE),
  EYES("eyes", "eyes", Kind.OTHER, Region.WHOLE);

  /** Only muscles have a stretch band; nobody should be urged to stretch a nerve. */
  public enum Kind {
    MUSCLE,
    MOTION,
    JOINT,
    NERVE,
    OTHER
  }

  /** The part of the body that it belongs to. */
  public enum Region {
    NECK,
    SHOULDER,
    CHEST,
    UPPER_BACK,
    ARM,
    TRUNK,
    LEG,
    WHOLE
  }

  private final String code;
  private final String label;
  private final Kind kind;
  private final Region region;

  Tissue(String code, String label, Kind kind, Region region) {
    this.code = code;
    this.label = label;
    this.kind = kind;
    this.region = region;
  }

  @Override
  public String code() {
    return code;
  }

  /** The trade's term, for practitioners. */
  public String label() {
    return label;
  }

  public Kind kind() {
    return kind;
  }

  public Region region() {
    return region;
  }
}
