package org.biokinet.app.session.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.program.Difference;
import org.biokinet.core.program.Difference.Change;
import org.biokinet.core.program.Item;
import org.springframework.context.MessageSource;

/** Says to a client what is different in a new version, as a dose is said elsewhere. */
record ChangedWords(MessageSource messages, Locale language) {

  List<String> of(Difference d, VersionService.Replay before, VersionService.Replay after) {
    List<String> words = new ArrayList<>();
    for (Change c : d.changes()) {
      VersionService.Replay named = c instanceof Change.Removed ? before : after;
      String name = named.catalogue().words(c.item().exercise(), language).name();
      words.add(words(c, name));
    }
    if (d.reordered()) words.add(say("change.order"));
    return words;
  }

  private String words(Change change, String name) {
    if (change instanceof Change.Added c) {
      return say("change.added", name, dose(c.item(), c.item().dose()));
    }
    if (change instanceof Change.Removed) return say("change.removed", name);
    if (change instanceof Change.Placed c) {
      return say("change.placed", name, c.item().position().label());
    }
    Change.Dosed c = (Change.Dosed) change;
    Optional<Dose> now =
        c.now().map(d -> c.side().<Dose>map(s -> new Dose.OneSide(s, d)).orElse(new Dose.Alike(d)));
    return now.map(d -> say("change.dosed", name, dose(c.item(), d)))
        .orElseGet(() -> say("change.undone." + c.side().orElseThrow().label(), name));
  }

  private String dose(Item item, Dose dose) {
    return new DoseWords(item.exercise().doseContext(), language).of(dose);
  }

  private String say(String code, Object... with) {
    return messages.getMessage(code, with, language);
  }
}
