package tekmerion.server.account;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.web.ClientAddress;
import tekmerion.words.Language;

/** The people of the shop, and what each may change of their own. */
@RestController
@RequestMapping("/api")
class PeopleController {
  private final People people;
  private final Sessions sessions;
  private final ClientAddress addresses;

  record Invitation(@NotBlank @Size(max = 120) String displayName, @NotNull Role role) {}

  record Accepted(
      @NotBlank @Size(max = 20) String code,
      @NotNull @Size(max = 60) String signInName,
      @NotBlank @Size(max = 200) String password) {}

  record RoleGiven(@NotNull Role role) {}

  record Activity(boolean active) {}

  record PasswordChange(
      @NotBlank @Size(max = 200) String old, @NotBlank @Size(max = 200) String fresh) {}

  /**
   * @param pin 4 to 8 digits; null takes it away
   */
  record PinChange(
      @NotBlank @Size(max = 200) String password,
      @Schema(nullable = true) @Pattern(regexp = "\\d{4,8}") String pin) {}

  record LanguageChosen(@NotNull Language language) {}

  PeopleController(People people, Sessions sessions, ClientAddress addresses) {
    this.addresses = addresses;
    this.people = people;
    this.sessions = sessions;
  }

  @GetMapping("/people")
  List<People.Member> all() {
    return people.all();
  }

  @PostMapping("/people/invitations")
  People.Invited invite(
      @Valid @RequestBody Invitation invitation, @AuthenticationPrincipal Person person) {
    return people.invite(invitation.displayName(), invitation.role(), person);
  }

  @PostMapping("/people/{id}/new-password")
  People.Invited newPassword(@PathVariable long id, @AuthenticationPrincipal Person person) {
    return people.newPassword(id, person);
  }

  @PutMapping("/people/{id}/role")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void role(
      @PathVariable long id,
      @Valid @RequestBody RoleGiven given,
      @AuthenticationPrincipal Person person) {
    people.role(id, given.role(), person);
  }

  @PutMapping("/people/{id}/active")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void active(
      @PathVariable long id,
      @Valid @RequestBody Activity activity,
      @AuthenticationPrincipal Person person) {
    people.active(id, activity.active(), person);
  }

  @PostMapping("/invitations/accept")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void accept(
      @Valid @RequestBody Accepted accepted,
      HttpServletRequest request,
      HttpServletResponse response) {
    Account account =
        people.accept(
            accepted.code(), accepted.signInName(), accepted.password(), addresses.of(request));
    sessions.signedIn(account, request, response);
  }

  @PutMapping("/me/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void password(@Valid @RequestBody PasswordChange change, @AuthenticationPrincipal Person person) {
    people.changePassword(person, change.old(), change.fresh());
  }

  @PutMapping("/me/pin")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void pin(@Valid @RequestBody PinChange change, @AuthenticationPrincipal Person person) {
    people.changePin(person, change.password(), change.pin());
  }

  @PutMapping("/me/language")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void language(@Valid @RequestBody LanguageChosen chosen, @AuthenticationPrincipal Person person) {
    people.changeLanguage(person, chosen.language());
  }

  @DeleteMapping("/me/sessions")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOutEverywhere(@AuthenticationPrincipal Person person) {
    people.signOutEverywhere(person);
  }
}
