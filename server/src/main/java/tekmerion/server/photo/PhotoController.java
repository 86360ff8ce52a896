package tekmerion.server.photo;

import static tekmerion.words.Words.say;

import java.time.Duration;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** Sending and showing photos. The body of the request is the picture itself. */
@RestController
class PhotoController {
  private final Photos photos;

  record PhotoKept(UUID id) {}

  PhotoController(Photos photos) {
    this.photos = photos;
  }

  @PostMapping(
      path = "/api/jobs/{number}/photos",
      consumes = {"image/jpeg", "image/png"})
  PhotoKept add(
      @PathVariable String number,
      @RequestParam(defaultValue = "") String words,
      @RequestBody byte[] picture,
      @AuthenticationPrincipal Person person) {
    if (words.length() > 200) {
      throw Refusal.badRequest(
          say("photo.the-words-are-longer-than-200"), say("photo.shorten-them"));
    }
    byte[] jpeg =
        Redrawn.jpeg(picture); // before a connection to the database is taken: it may wait
    return new PhotoKept(photos.add(number, jpeg, words, person));
  }

  @GetMapping("/api/photos/{id}")
  ResponseEntity<byte[]> photo(@PathVariable UUID id) {
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
        .body(photos.bytes(id));
  }
}
