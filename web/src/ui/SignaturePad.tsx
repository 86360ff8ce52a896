import { t } from '../words/words';
import { useRef, type Dispatch, type PointerEvent, type SetStateAction } from 'react';
import styled from 'styled-components';
import { color, radius } from '../theme/theme';

const WIDTH = 600;
const HEIGHT = 160;

export interface SignaturePadProps {
  /** The path of an SVG; empty while nothing is drawn. */
  path: string;
  /** Said to readers while it is empty. */
  label: string;
  /** Adds to what is there: moves of the pen come faster than it is drawn. */
  onChange: Dispatch<SetStateAction<string>>;
}

/** Where somebody signs with a finger, a pen or the mouse. */
export function SignaturePad({ path, label, onChange }: SignaturePadProps) {
  const field = useRef<SVGSVGElement>(null);
  const drawing = useRef(false);
  const point = (event: PointerEvent) => {
    const box = field.current?.getBoundingClientRect();
    if (box === undefined) return '0 0';
    const x = Math.round(((event.clientX - box.left) / box.width) * WIDTH);
    const y = Math.round(((event.clientY - box.top) / box.height) * HEIGHT);
    return `${Math.min(WIDTH, Math.max(0, x))} ${Math.min(HEIGHT, Math.max(0, y))}`;
  };
  return (
    <Pad
      ref={field}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={path === '' ? label : t('web.ui.signature-pad.a-drawn-signature')}
      onPointerDown={(event) => {
        drawing.current = true;
        event.currentTarget.setPointerCapture(event.pointerId);
        const at = point(event);
        onChange((drawn) => `${drawn}M${at} L${at} `);
      }}
      onPointerMove={(event) => {
        if (!drawing.current) return;
        const at = point(event);
        onChange((drawn) => `${drawn}L${at} `);
      }}
      onPointerUp={() => {
        drawing.current = false;
      }}
    >
      <line x1="20" x2="580" y1="125" y2="125" />
      <path d={path} />
    </Pad>
  );
}

const Pad = styled.svg`
  width: min(100%, 480px);
  aspect-ratio: 600 / 160;
  background: ${color.sheet};
  border: 1.5px solid ${color.hold};
  border-radius: ${radius};
  touch-action: none;
  cursor: crosshair;
  line {
    stroke: ${color.line};
  }
  path {
    fill: none;
    stroke: ${color.ink};
    stroke-width: 3;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
`;
