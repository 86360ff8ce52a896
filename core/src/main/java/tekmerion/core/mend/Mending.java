package tekmerion.core.mend;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import tekmerion.core.port.ByteSource;
import tekmerion.core.survey.Content;
import tekmerion.core.survey.Damage;
import tekmerion.core.survey.Scheme;
import tekmerion.core.survey.Survey;

/**
 * What a survey found damaged and what can be put back of it.
 *
 * @param pieces in the order in which they are written
 * @param left why something that has an intact copy is left as it is, in sentences
 */
public record Mending(List<Piece> pieces, List<String> left) {
  public Mending {
    pieces = List.copyOf(pieces);
    left = List.copyOf(left);
  }

  /** Reads the copies and what stands where they belong; writes nothing. */
  public static Mending of(ByteSource source, Survey survey) {
    List<Piece> pieces = new ArrayList<>();
    List<String> left = new ArrayList<>();
    boolean gpt = survey.scheme() == Scheme.GPT || survey.scheme() == Scheme.HYBRID;
    for (Damage damage : survey.damage()) {
      if (damage.canBeMended() && gpt) {
        add(source, damage, GptCopy.pieces(source, damage), pieces, left);
      }
    }
    for (Survey.Part part : survey.parts()) {
      Content content = part.volume().content();
      for (Damage damage : part.volume().damage()) {
        if (content == Content.XFS && damage.canBeMended()) {
          // Its copies are of the day it was made: without counts, and some of its inodes.
          left.add(say("mend.but-without-what-the-volume-counts", "what", damage.what()));
        } else if (damage.canBeMended()) {
          add(
              source,
              damage,
              VolumeCopy.of(source, content, part.start(), damage).stream().toList(),
              pieces,
              left);
        }
      }
    }
    return new Mending(pieces, left);
  }

  /** Bytes that belong somewhere. */
  record Wanted(long offset, byte[] bytes) {}

  private static void add(
      ByteSource source,
      Damage damage,
      List<Wanted> wanted,
      List<Piece> pieces,
      List<String> left) {
    if (wanted.isEmpty()) {
      left.add(say("mend.but-that-copy-does-not-hold", "what", damage.what()));
    }
    for (Wanted w : wanted) {
      Optional<Piece> piece = piece(source, damage.what(), w);
      piece.filter(p -> !Arrays.equals(p.before(), p.after())).ifPresent(pieces::add);
      if (piece.isEmpty()) {
        left.add(say("mend.but-what-stands-there-cannot-be", "what", damage.what()));
      }
    }
  }

  /** In whole sectors, with what stands beside it as it is. */
  private static Optional<Piece> piece(ByteSource source, String what, Wanted wanted) {
    int sector = source.sectorBytes();
    long from = wanted.offset() / sector * sector;
    long to = (wanted.offset() + wanted.bytes().length + sector - 1) / sector * sector;
    return source
        .bytes(from, (int) (to - from))
        .map(
            before -> {
              byte[] after = before.clone();
              int at = (int) (wanted.offset() - from);
              System.arraycopy(wanted.bytes(), 0, after, at, wanted.bytes().length);
              return new Piece(what, from, before, after);
            });
  }
}
