package org.biokinet.core.anatomy;

/** What an exercise is aimed at: a muscle, a motion, a joint, a nerve. */
public enum Tissue implements Coded {
  UPPER_TRAP("upper-trap", "upper trapezius", Kind.MUSCLE),
  MID_TRAP("mid-trap", "middle trapezius", Kind.MUSCLE),
  LOWER_TRAP("lower-trap", "lower trapezius", Kind.MUSCLE),
  LEVATOR("levator", "levator scapulae", Kind.MUSCLE),
  SCALENES("scalenes", "scalenes", Kind.MUSCLE),
  SCM("scm", "sternocleidomastoid", Kind.MUSCLE),
  SUBOCCIPITALS("suboccipitals", "suboccipitals", Kind.MUSCLE),
  NECK_EXTENSORS("neck-extensors", "neck extensors", Kind.MUSCLE),
  ANTERIOR_NECK("anterior-neck", "anterior neck", Kind.MUSCLE),
  DNF("dnf", "deep neck flexors", Kind.MUSCLE),
  PEC_MAJOR("pec-major", "pectoralis major", Kind.MUSCLE),
  PEC_MINOR("pec-minor", "pectoralis minor", Kind.MUSCLE),
  RHOMBOIDS("rhomboids", "rhomboids", Kind.MUSCLE),
  SERRATUS("serratus", "serratus anterior", Kind.MUSCLE),
  LATS("lats", "latissimus dorsi", Kind.MUSCLE),
  DELTOID("deltoid", "deltoid", Kind.MUSCLE),
  ANTERIOR_DELTOID("anterior-deltoid", "anterior deltoid", Kind.MUSCLE),
  POSTERIOR_DELTOID("posterior-deltoid", "posterior deltoid", Kind.MUSCLE),
  EXTERNAL_ROTATORS("external-rotators", "shoulder external rotators", Kind.MUSCLE),
  TRICEPS("triceps", "triceps brachii", Kind.MUSCLE),
  WRIST_FLEXORS("wrist-flexors", "wrist flexors", Kind.MUSCLE),
  WRIST_EXTENSORS("wrist-extensors", "wrist extensors", Kind.MUSCLE),
  THORACIC_EXTENSORS("thoracic-extensors", "thoracic extensors", Kind.MUSCLE),
  INTERCOSTALS("intercostals", "intercostals", Kind.MUSCLE),
  OBLIQUES("obliques", "obliques", Kind.MUSCLE),
  ANTERIOR_TRUNK("anterior-trunk", "anterior trunk", Kind.MUSCLE),
  GLUTES("glutes", "gluteals", Kind.MUSCLE),
  HAMSTRINGS("hamstrings", "hamstrings", Kind.MUSCLE),
  HIP_FLEXORS("hip-flexors", "hip flexors", Kind.MUSCLE),
  ADDUCTORS("adductors", "hip adductors", Kind.MUSCLE),
  C_FLEXION("c-flexion", "neck flexion", Kind.MOTION),
  C_EXTENSION("c-extension", "neck extension", Kind.MOTION),
  C_ROTATION("c-rotation", "neck rotation", Kind.MOTION),
  C_LATERAL("c-lateral", "neck lateral flexion", Kind.MOTION),
  C_RETRACTION("c-retraction", "neck retraction", Kind.MOTION),
  THORACIC_FLEXION("thoracic-flexion", "thoracic flexion", Kind.MOTION),
  THORACIC_EXTENSION("thoracic-extension", "thoracic extension", Kind.MOTION),
  THORACIC_ROTATION("thoracic-rotation", "thoracic rotation", Kind.MOTION),
  SCAPULA("scapula", "shoulder blade", Kind.JOINT),
  GH_JOINT("gh-joint", "shoulder joint", Kind.JOINT),
  ELBOW("elbow", "elbow", Kind.JOINT),
  WRIST("wrist", "wrist", Kind.JOINT),
  LUMBAR("lumbar", "lower back", Kind.JOINT),
  HIP("hip", "hip", Kind.JOINT),
  KNEE("knee", "knee", Kind.JOINT),
  ANKLE("ankle", "ankle", Kind.JOINT),
  FOOT("foot", "foot", Kind.JOINT),
  NEURAL_ARM("neural-arm", "nerves of the arm", Kind.NERVE),
  BREATH("breath", "breathing", Kind.OTHER),
  EYES("eyes", "eyes", Kind.OTHER);

  /** Only muscles have a stretch band; nobody should be urged to stretch a nerve. */
  public enum Kind {
    MUSCLE,
    MOTION,
    JOINT,
    NERVE,
    OTHER
  }

  private final String code;
  private final String label;
  private final Kind kind;

  Tissue(String code, String label, Kind kind) {
    this.code = code;
    this.label = label;
    this.kind = kind;
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
}
