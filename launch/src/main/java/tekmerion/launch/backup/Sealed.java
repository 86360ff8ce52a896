package tekmerion.launch.backup;

import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.security.SecureRandom;
import java.util.Date;
import org.bouncycastle.bcpg.AEADAlgorithmTags;
import org.bouncycastle.bcpg.S2K;
import org.bouncycastle.bcpg.SymmetricKeyAlgorithmTags;
import org.bouncycastle.openpgp.PGPEncryptedDataGenerator;
import org.bouncycastle.openpgp.PGPEncryptedDataList;
import org.bouncycastle.openpgp.PGPException;
import org.bouncycastle.openpgp.PGPLiteralData;
import org.bouncycastle.openpgp.PGPLiteralDataGenerator;
import org.bouncycastle.openpgp.PGPPBEEncryptedData;
import org.bouncycastle.openpgp.bc.BcPGPObjectFactory;
import org.bouncycastle.openpgp.operator.PBEDataDecryptorFactory;
import org.bouncycastle.openpgp.operator.bc.BcPBEKeyEncryptionMethodGenerator;
import org.bouncycastle.openpgp.operator.jcajce.JcePBEDataDecryptorFactoryBuilder;
import org.bouncycastle.openpgp.operator.jcajce.JcePGPDataEncryptorBuilder;

/**
 * Sealed to a passphrase as OpenPGP has it: AES-256 in GCM, by chunks of which each is proved
 * before a byte of it is given out; the key by Argon2. Any other program that knows RFC 9580 opens
 * it too.
 *
 * @see "RFC 9580, sections 3.7.1.4 (Argon2) and 5.13.2 (version 2 of encrypted and integrity
 *     protected data)"
 */
final class Sealed {
  /** 2^(16 + 6) bytes. */
  private static final int CHUNK = 16;

  private static final int PARTIAL_BYTES = 1 << 16;

  private Sealed() {}

  /** What is written comes out sealed; closing this ends it, and leaves the other open. */
  static OutputStream seal(OutputStream to, char[] passphrase) throws IOException {
    PGPEncryptedDataGenerator generator =
        new PGPEncryptedDataGenerator(
            new JcePGPDataEncryptorBuilder(SymmetricKeyAlgorithmTags.AES_256)
                .setWithAEAD(AEADAlgorithmTags.GCM, CHUNK)
                .setUseV6AEAD()
                .setSecureRandom(new SecureRandom()));
    generator.addMethod(
        new BcPBEKeyEncryptionMethodGenerator(
                passphrase, S2K.Argon2Params.memoryConstrainedParameters())
            .setSecureRandom(new SecureRandom()));
    try {
      OutputStream encrypted = generator.open(to, new byte[PARTIAL_BYTES]);
      OutputStream literal =
          new PGPLiteralDataGenerator()
              .open(encrypted, PGPLiteralData.BINARY, "", new Date(0), new byte[PARTIAL_BYTES]);
      return new FilterOutputStream(literal) {
        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
          out.write(bytes, from, length);
        }

        @Override
        public void close() throws IOException {
          literal.close();
          encrypted.close();
        }
      };
    } catch (PGPException e) {
      throw new IOException("cannot seal: " + e.getMessage(), e);
    }
  }

  /**
   * What was sealed. Reading it fails at the first chunk that was changed, and at its end if any of
   * it is missing: until the end was read nothing of it is certain.
   *
   * @throws BackupException if it is none of ours, or another passphrase's
   */
  static InputStream open(InputStream from, char[] passphrase) throws IOException {
    PGPPBEEncryptedData encrypted;
    try {
      Object first = new BcPGPObjectFactory(from).nextObject();
      if (!(first instanceof PGPEncryptedDataList list)
          || list.isEmpty()
          || !(list.get(0) instanceof PGPPBEEncryptedData data)) {
        throw new BackupException("This is not a backup of Tekmerion.");
      }
      encrypted = data;
    } catch (IOException e) {
      throw new BackupException(
          "This is not a backup of Tekmerion, or its beginning is damaged.", e);
    }
    PBEDataDecryptorFactory key = new JcePBEDataDecryptorFactoryBuilder().build(passphrase);
    try {
      encrypted.getSessionKey(key);
    } catch (PGPException e) {
      throw new BackupException(
          "The backup does not open: this is not its passphrase, or its beginning is damaged.", e);
    }
    try {
      InputStream clear = encrypted.getDataStream(key);
      if (new BcPGPObjectFactory(clear).nextObject() instanceof PGPLiteralData literal) {
        return literal.getInputStream();
      }
      throw new BackupException("This is not a backup of Tekmerion.");
    } catch (PGPException e) {
      throw new IOException(e.getMessage(), e); // its first chunk is not as it was written
    }
  }
}
