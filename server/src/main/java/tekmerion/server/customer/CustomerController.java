package tekmerion.server.customer;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.customer.CustomerFile.CustomerView;
import tekmerion.server.customer.CustomerFile.Export;
import tekmerion.server.customer.CustomerFile.KnownCustomer;
import tekmerion.server.person.Person;
import tekmerion.words.Language;

/** Customers of the shop and their personal data. */
@RestController
@RequestMapping("/api/customers")
class CustomerController {
  private final CustomerFile file;

  /** What a customer's papers are written in. */
  record LanguageOfPapers(@NotNull Language language) {}

  record Erasure(@NotBlank String name) {}

  CustomerController(CustomerFile file) {
    this.file = file;
  }

  /** By the beginning of the name. */
  @GetMapping
  List<KnownCustomer> known(@RequestParam String name) {
    return file.known(name);
  }

  @GetMapping("/{id}")
  CustomerView customer(@PathVariable long id) {
    return file.of(id);
  }

  /** How they are reached, and how their name is written. */
  @PutMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void contact(
      @PathVariable long id,
      @Valid @RequestBody CustomerFile.Contact contact,
      @AuthenticationPrincipal Person by) {
    file.changeContact(id, contact, by);
  }

  @PutMapping("/{id}/language")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void language(@PathVariable long id, @Valid @RequestBody LanguageOfPapers chosen) {
    file.changeLanguage(id, chosen.language());
  }

  @GetMapping("/{id}/export")
  ResponseEntity<Export> export(@PathVariable long id, @AuthenticationPrincipal Person by) {
    return ResponseEntity.ok()
        .header("Content-Disposition", "attachment; filename=\"customer-%d.json\"".formatted(id))
        .body(file.export(id, by));
  }

  @PostMapping("/{id}/erase")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void erase(
      @PathVariable long id,
      @Valid @RequestBody Erasure erasure,
      @AuthenticationPrincipal Person by) {
    file.erase(id, erasure.name(), by);
  }
}
