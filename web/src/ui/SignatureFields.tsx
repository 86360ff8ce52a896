import { t } from '../words/words';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { Field } from './Field';
import { SignaturePad } from './SignaturePad';

/** What somebody has signed with so far. */
export interface Signature {
  name: string;
  setName: (name: string) => void;
  /** Of the drawing, as an SVG's path; empty while nothing is drawn. */
  path: string;
  setPath: Dispatch<SetStateAction<string>>;
  hasName: boolean;
  isDrawn: boolean;
}

export function useSignature(): Signature {
  const [name, setName] = useState('');
  const [path, setPath] = useState('');
  return { name, setName, path, setPath, hasName: name.trim() !== '', isDrawn: path !== '' };
}

export interface SignatureFieldsProps {
  signature: Signature;
  /** Said of the drawing, beside that it can be drawn there. */
  note?: string;
}

/** Where an owner signs: the name typed, and a drawing. */
export function SignatureFields({ signature, note = '' }: SignatureFieldsProps) {
  return (
    <>
      <Field
        label={t('web.ui.signature-fields.customer-s-full-name-typed-by')}
        value={signature.name}
        onChange={signature.setName}
      />
      <SignaturePad
        path={signature.path}
        label={t('web.ui.signature-fields.field-to-sign-in-with-pen', {
          note: note === '' ? '' : ` ${note}`,
        })}
        onChange={signature.setPath}
      />
    </>
  );
}
