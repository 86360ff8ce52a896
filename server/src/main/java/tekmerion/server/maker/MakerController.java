package tekmerion.server.maker;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.knowhow.MakerTopic;
import tekmerion.server.person.Person;

/** The shop's notes on makers. */
@RestController
@RequestMapping("/api/maker-notes")
class MakerController {
  private final MakerNotes notes;

  /**
   * @param models beginning of the models' names; empty for all of the maker
   * @param text empty to take the note away
   */
  record MakerNoteText(
      @NotBlank @Size(max = 120) String maker,
      @NotNull @Size(max = 200) String models,
      @NotNull MakerTopic topic,
      @NotNull @Size(max = 2000) String text) {}

  MakerController(MakerNotes notes) {
    this.notes = notes;
  }

  @GetMapping
  List<MakerNotes.Note> find(@RequestParam(defaultValue = "") @Size(max = 200) String text) {
    return notes.find(text);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void write(@Valid @RequestBody MakerNoteText note, @AuthenticationPrincipal Person by) {
    notes.write(note.maker(), note.models(), note.topic(), note.text(), by);
  }
}
