/** What a picture holds, of the codes that labels have; null if none is seen. */
export type ReadCode = (picture: HTMLVideoElement) => Promise<string | null>;

/** The part of Shape Detection that is used here. */
interface Detector {
  detect: (picture: HTMLVideoElement) => Promise<{ rawValue: string }[]>;
}

interface DetectorClass {
  new (options: { formats: string[] }): Detector;
  getSupportedFormats: () => Promise<string[]>;
}

const FORMATS = ['qr_code', 'code_128', 'code_39', 'data_matrix'];

/** The browser's own detector where there is one that reads our labels, else a library. */
export async function codeReader(): Promise<ReadCode> {
  const own = (globalThis as { BarcodeDetector?: DetectorClass }).BarcodeDetector;
  const known = own === undefined ? [] : await own.getSupportedFormats().catch(() => []);
  if (own === undefined || !known.includes('qr_code')) {
    return (await import('./readByLibrary')).readByLibrary;
  }
  const detector = new own({ formats: FORMATS.filter((format) => known.includes(format)) });
  return async (picture) => (await detector.detect(picture))[0]?.rawValue ?? null;
}
