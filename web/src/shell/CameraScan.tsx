import { t } from '../words/words';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { color, radius } from '../theme/theme';
import { codeReader } from './readCode';

const BETWEEN_MS = 150;

type Problem = 'REFUSED' | 'NONE' | 'NOT_SECURE';

/** The camera's picture until a code is seen in it. The camera is let go when this leaves. */
export function CameraScan({ onCode }: { onCode: (text: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const seen = useRef(onCode);
  const [problem, setProblem] = useState<Problem | null>(null);
  useEffect(() => {
    seen.current = onCode;
  });
  useEffect(() => {
    const picture = video.current;
    if (picture === null) return;
    const over = new AbortController();
    watch(picture, (text) => seen.current(text), over.signal).catch((e: unknown) => {
      if (!over.signal.aborted) setProblem(problemOf(e));
    });
    return () => {
      over.abort();
    };
  }, []);
  if (problem !== null) return <p role="alert">{words(problem)}</p>;
  return (
    <>
      <p>{t('web.shell.camera-scan.hold-a-label-before-the-camera')}</p>
      <Picture
        ref={video}
        aria-label={t('web.shell.camera-scan.the-cameras-picture')}
        autoPlay
        muted
        playsInline
      />
    </>
  );
}

async function watch(
  picture: HTMLVideoElement,
  onCode: (text: string) => void,
  over: AbortSignal,
): Promise<void> {
  // Only a page over HTTPS or of this machine has any.
  const devices = navigator.mediaDevices as MediaDevices | undefined;
  if (devices === undefined) throw new DOMException('', 'SecurityError');
  const stream = await devices.getUserMedia({
    audio: false,
    video: { facingMode: 'environment', width: { ideal: 1280 } },
  });
  const letGo = () => stream.getTracks().forEach((track) => track.stop());
  over.addEventListener('abort', letGo);
  if (over.aborted) return letGo();
  picture.srcObject = stream;
  const read = await codeReader();
  for (;;) {
    await new Promise((resolve) => window.setTimeout(resolve, BETWEEN_MS));
    if (over.aborted) return;
    const text =
      picture.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA ? await read(picture) : null;
    if (over.aborted) return;
    if (text !== null && text.trim() !== '') {
      letGo();
      return onCode(text.trim());
    }
  }
}

function problemOf(e: unknown): Problem {
  if (!(e instanceof DOMException)) throw e;
  return e.name === 'SecurityError'
    ? 'NOT_SECURE'
    : e.name === 'NotAllowedError'
      ? 'REFUSED'
      : 'NONE';
}

const words = (problem: Problem) =>
  ({
    REFUSED: t('web.shell.camera-scan.the-camera-is-refused'),
    NONE: t('web.shell.camera-scan.no-camera-can-be-used'),
    NOT_SECURE: t('web.shell.camera-scan.a-browser-gives-the-camera-only-over-https'),
  })[problem];

const Picture = styled.video`
  inline-size: 100%;
  max-block-size: 60vh;
  object-fit: contain;
  background: ${color.ink};
  border-radius: ${radius};
`;
