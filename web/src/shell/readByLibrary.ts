import {
  BarcodeFormat,
  BinaryBitmap,
  DecodeHintType,
  Exception,
  HybridBinarizer,
  MultiFormatReader,
  RGBLuminanceSource,
} from '@zxing/library';

const reader = new MultiFormatReader();
reader.setHints(
  new Map<DecodeHintType, unknown>([
    [
      DecodeHintType.POSSIBLE_FORMATS,
      [
        BarcodeFormat.QR_CODE,
        BarcodeFormat.CODE_128,
        BarcodeFormat.CODE_39,
        BarcodeFormat.DATA_MATRIX,
      ],
    ],
    [DecodeHintType.TRY_HARDER, true],
  ]),
);

const canvas = document.createElement('canvas');

/** Where the browser has no detector of its own. */
export function readByLibrary(picture: HTMLVideoElement): Promise<string | null> {
  const { videoWidth: width, videoHeight: height } = picture;
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext('2d', { willReadFrequently: true });
  if (pen === null || width === 0) return Promise.resolve(null);
  pen.drawImage(picture, 0, 0);
  return Promise.resolve(codeIn(pen.getImageData(0, 0, width, height)));
}

/** Four bytes a point: red, green, blue, and how opaque. */
export function codeIn({ data, width, height }: ImageData): string | null {
  const light = new Uint8ClampedArray(width * height);
  for (let i = 0; i < light.length; i++) {
    const at = 4 * i;
    // ITU-R BT.601
    light[i] = 0.299 * (data[at] ?? 0) + 0.587 * (data[at + 1] ?? 0) + 0.114 * (data[at + 2] ?? 0);
  }
  const source = new RGBLuminanceSource(light, width, height);
  try {
    return reader.decodeWithState(new BinaryBitmap(new HybridBinarizer(source))).getText();
  } catch (e) {
    if (e instanceof Exception) return null; // no code in it, or none that is whole
    throw e;
  }
}
