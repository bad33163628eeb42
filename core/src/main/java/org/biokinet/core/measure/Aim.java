package org.biokinet.core.measure;

import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Tissue;

/** What is thought of where something hurts. */
record Aim(Intent intent, Tissue tissue) {

  static Aim lengthen(Tissue tissue) {
    return new Aim(Intent.LENGTHEN, tissue);
  }

  static Aim strengthen(Tissue tissue) {
    return new Aim(Intent.STRENGTHEN, tissue);
  }

  static Aim mobilise(Tissue tissue) {
    return new Aim(Intent.MOBILISE, tissue);
  }
}
