import { say, t } from '../../words/words';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Layout';
import { SignatureFields, useSignature } from '../../ui/SignatureFields';
import { missing } from '../../ui/missing';

export interface SignatureProps {
  wording: string;
  isPending: boolean;
  onSign: (name: string, strokes: string | null) => void;
}

/** The owner signs: with a finger or a pen, or by typing the name. */
export function Signature({ wording, isPending, onSign }: SignatureProps) {
  const signature = useSignature();
  return (
    <Box>
      <p>
        {say('web.intake.signature.the-owner-reads-and-signs-nothing', {
          q: (words: ReactNode) => <q>{words}</q>,
          wording,
        })}
      </p>
      <SignatureFields
        signature={signature}
        note={t('web.intake.signature.typing-the-name-is-enough-here')}
      />
      <Row>
        <Button
          data-do
          missing={missing([signature.hasName, t('web.missing.a-name')])}
          isPending={isPending}
          onPress={() => onSign(signature.name, signature.isDrawn ? signature.path : null)}
        >
          {t('web.intake.signature.sign-the-data-is-not-wanted')}
        </Button>
        <Button data-do isDisabled={!signature.isDrawn} onPress={() => signature.setPath('')}>
          {t('web.intake.signature.clear-the-drawing')}
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
