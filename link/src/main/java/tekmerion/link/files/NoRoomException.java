package tekmerion.link.files;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Path;

/** The disk is full: nothing of the file was left, and the file of before is as it was. */
public final class NoRoomException extends IOException {
  private static final long serialVersionUID = 1L;

  NoRoomException(Path file, IOException cause) {
    super(say("files.there-is-no-room-left-where", "file", file), cause);
  }
}
