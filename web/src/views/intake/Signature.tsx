import { useRef, useState, type PointerEvent } from 'react';
import styled from 'styled-components';
import { color, radius } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Layout';

const WIDTH = 600;
const HEIGHT = 160;

export interface SignatureProps {
  wording: string;
  isPending: boolean;
  onSign: (name: string, strokes: string | null) => void;
}

/** The owner signs: with a finger or a pen, or by typing the name. */
export function Signature({ wording, isPending, onSign }: SignatureProps) {
  const [name, setName] = useState('');
  const [path, setPath] = useState('');
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
    <Box>
      <p>
        The owner reads and signs: <q>{wording}</q>
      </p>
      <Pad
        ref={field}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={
          path === ''
            ? 'Field to sign in with pen or finger; typing the name is enough'
            : 'A drawn signature'
        }
        onPointerDown={(event) => {
          drawing.current = true;
          event.currentTarget.setPointerCapture(event.pointerId);
          const at = point(event);
          setPath((p) => `${p}M${at} L${at} `);
        }}
        onPointerMove={(event) => {
          if (!drawing.current) return;
          const at = point(event);
          setPath((p) => `${p}L${at} `);
        }}
        onPointerUp={() => {
          drawing.current = false;
        }}
      >
        <line x1="20" x2="580" y1="125" y2="125" />
        <path d={path} />
      </Pad>
      <Field label="Owner’s full name, typed by the owner" value={name} onChange={setName} />
      <Row>
        <Button
          data-do
          isDisabled={name.trim() === '' || isPending}
          onPress={() => onSign(name, path === '' ? null : path)}
        >
          Sign: everything may be erased
        </Button>
        <Button data-do isDisabled={path === ''} onPress={() => setPath('')}>
          Clear the drawing
        </Button>
      </Row>
    </Box>
  );
}

const Box = styled.div`
  display: grid;
  gap: 10px;
  padding: 14px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
`;

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
