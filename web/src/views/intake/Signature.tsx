import { useState } from 'react';
import styled from 'styled-components';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Layout';
import { SignaturePad } from '../../ui/SignaturePad';

export interface SignatureProps {
  wording: string;
  isPending: boolean;
  onSign: (name: string, strokes: string | null) => void;
}

/** The owner signs: with a finger or a pen, or by typing the name. */
export function Signature({ wording, isPending, onSign }: SignatureProps) {
  const [name, setName] = useState('');
  const [path, setPath] = useState('');
  return (
    <Box>
      <p>
        The owner reads and signs: <q>{wording}</q> Nothing is erased by this alone: the drives are
        named once they are read.
      </p>
      <SignaturePad
        path={path}
        label="Field to sign in with pen or finger; typing the name is enough here"
        onChange={setPath}
      />
      <Field label="Owner’s full name, typed by the owner" value={name} onChange={setName} />
      <Row>
        <Button
          data-do
          isDisabled={name.trim() === '' || isPending}
          onPress={() => onSign(name, path === '' ? null : path)}
        >
          Sign: the data is not wanted
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
