import { t } from '../../words/words';
import { useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { DataOnDrive } from '../../api/types';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';

interface NameDriveProps {
  data: DataOnDrive;
  /** What is done to the drive. */
  what: 'erase' | 'mend' | 'mend/take-back';
  title: string;
  /** "erased": what does not happen if the name is wrong. */
  verb: string;
  act: string;
  onClose: () => void;
}

/** Whoever writes to a drive names it first, from what is printed on it. */
export function NameDrive({ data, what, title, verb, act, onClose }: NameDriveProps) {
  const call = useCall(keys.job(data.job), keys.floor);
  const [size, setSize] = useState('');
  const [model, setModel] = useState('');
  const [lastFour, setLastFour] = useState('');
  const named = size.trim() !== '' && model.trim() !== '' && lastFour.trim().length === 4;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    call.mutate(
      () =>
        api.POST(`/api/jobs/{number}/parts/{partKey}/${what}`, {
          params: { path: { number: data.job, partKey: data.partKey } },
          body: { version: data.version, size, model, lastFour },
        }),
      { onSuccess: onClose },
    );
  };
  return (
    <Modal title={title} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Fields>
          <p>{t('web.rescue.name-drive.take-the-drive-in-your-hand', { verb })}</p>
          <Field
            label={t('web.rescue.name-drive.size-such-as-1-tb-or')}
            value={size}
            onChange={setSize}
          />
          <Field label={t('web.rescue.name-drive.model')} value={model} onChange={setModel} />
          <Field
            label={t('web.rescue.name-drive.last-four-of-its-serial')}
            value={lastFour}
            onChange={setLastFour}
          />
          {call.isError && <ProblemNote error={call.error} />}
          <Button type="submit" isDisabled={!named} isPending={call.isPending}>
            {act}
          </Button>
          <Button primary onPress={onClose}>
            {t('web.rescue.name-drive.leave-it-as-it-is')}
          </Button>
        </Fields>
      </Form>
    </Modal>
  );
}

const Fields = styled.div`
  display: grid;
  gap: 12px;
`;
