package org.biokinet.app.handout.web;

import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.handout.Paper;
import org.biokinet.app.handout.SheetService;
import org.biokinet.app.practice.Me;
import org.biokinet.core.program.ProgramKind;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The sheet: looked at, printed from the page, or as a PDF. */
@Controller
class SheetController {

  private final SheetService sheets;
  private final ClientService clients;
  private final ClientHeader header;
  private final Audit audit;

  SheetController(SheetService sheets, ClientService clients, ClientHeader header, Audit audit) {
    this.sheets = sheets;
    this.clients = clients;
    this.header = header;
    this.audit = audit;
  }

  @GetMapping("/clients/{id}/sheet")
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "false") boolean large,
      Model model) {
    header.show(me, id, Station.DO, model);
    SheetService.Answer answer = sheets.sheet(me, id, program);
    if (answer instanceof SheetService.Answer.Ready ready) {
      model.addAllAttributes(ready.model());
    } else {
      model.addAttribute("refused", ((SheetService.Answer.Not) answer).why());
    }
    model.addAttribute("program", program);
    model.addAttribute("large", large);
    return "handout/page";
  }

  @GetMapping("/clients/{id}/sheet.pdf")
  ResponseEntity<?> pdf(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "A4") Paper paper,
      @RequestParam(defaultValue = "false") boolean large) {
    SheetService.Answer answer = sheets.sheet(me, id, program);
    audit.sawPart(me, id, "sheet");
    if (answer instanceof SheetService.Answer.Not not) {
      return ResponseEntity.status(HttpStatus.CONFLICT)
          .contentType(MediaType.TEXT_PLAIN)
          .body(not.why());
    }
    SheetService.Answer.Ready ready = (SheetService.Answer.Ready) answer;
    byte[] pdf = sheets.pdf(ready, clients.get(me, id).language(), paper, large);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .cacheControl(CacheControl.noStore())
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.inline().filename("sheet.pdf").build().toString())
        .body(pdf);
  }
}
