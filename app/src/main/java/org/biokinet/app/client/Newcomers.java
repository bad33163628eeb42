package org.biokinet.app.client;

import java.util.List;
import org.biokinet.app.practice.Me;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.validation.Errors;

/** Whether somebody who is about to be added is known already; asked wherever that is done. */
@Component
public class Newcomers {

  private final ClientService clients;

  Newcomers(ClientService clients) {
    this.clients = clients;
  }

  /** Shows those who may be the same person, and lets nobody be added before that was seen. */
  public void notice(Me me, ClientForm form, Errors errors, Model model) {
    if (errors.hasErrors() || form.anyway().equals("yes")) return;
    List<Client> alike = clients.alike(me, form.contact());
    model.addAttribute("alike", alike);
    if (!alike.isEmpty()) {
      errors.rejectValue("name", "alike", "This person may be known already; see above.");
    }
  }
}
