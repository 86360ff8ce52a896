import { t } from '../../words/words';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import { maxLength, object, picklist, pipe, string, trim } from 'valibot';
import { api } from '../../api/client';
import { keys, useCall, useMakerNotes, useSession } from '../../api/queries';
import type { MakerNote } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { CheckedField } from '../../ui/form/CheckedField';
import { CheckedSelect } from '../../ui/form/CheckedSelect';
import { said } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';

const TOPICS = [
  ['FIRMWARE_KEY', t('web.makers.makers-view.key-to-its-firmware')],
  ['TESTS_KEY', t('web.makers.makers-view.key-to-its-built-in-tests')],
  ['START_KEY', t('web.makers.makers-view.key-to-the-choice-of-what')],
  ['RESULT_CODES', t('web.makers.makers-view.codes-of-its-built-in-tests')],
  ['CASE', t('web.makers.makers-view.how-its-case-opens')],
  ['WEAK_POINT', t('web.makers.makers-view.known-weak-point')],
  ['CHARGES_WITH', t('web.makers.makers-view.what-charges-it')],
] as const satisfies readonly (readonly [MakerNote['topic'], string])[];

type Draft = Pick<MakerNote, 'maker' | 'models' | 'topic' | 'text'>;
const NEW: Draft = { maker: '', models: '', topic: 'FIRMWARE_KEY', text: '' };

/** What the shop wrote down of makers, lines and models; offered inside the moves where it helps. */
export function MakersView() {
  const [params, setParams] = useSearchParams();
  const text = params.get('text') ?? '';
  const notes = useMakerNotes(text);
  const mayWrite = useSession().data?.person?.role !== 'COUNTER';
  const [draft, setDraft] = useState<Draft | null>(null);
  return (
    <Page>
      <Title>{t('web.makers.makers-view.what-differs-from-maker-to-maker')}</Title>
      <Sub>{t('web.makers.makers-view.a-note-holds-for-all-of')}</Sub>
      <Bar>
        <Field
          label={t('web.makers.makers-view.search-the-notes')}
          value={text}
          onChange={(value) => setParams(value === '' ? {} : { text: value }, { replace: true })}
          autoComplete="off"
        />
        {mayWrite && (
          <Button primary onPress={() => setDraft(NEW)}>
            {t('web.makers.makers-view.write-a-note')}
          </Button>
        )}
      </Bar>
      <Loaded query={notes}>
        {(data) =>
          data.length === 0 ? (
            <Empty>
              {text === ''
                ? t('web.makers.makers-view.nothing-is-written-down-yet-begin')
                : t('web.makers.makers-view.no-note-has-in-it', { text })}
            </Empty>
          ) : (
            <Groups notes={data} onEdit={mayWrite ? setDraft : undefined} />
          )
        }
      </Loaded>
      {draft !== null && <Editor draft={draft} onClose={() => setDraft(null)} />}
    </Page>
  );
}

function Groups({
  notes,
  onEdit,
}: {
  notes: readonly MakerNote[];
  onEdit: ((draft: Draft) => void) | undefined;
}) {
  const groups = new Map<string, MakerNote[]>();
  notes.forEach((note) => {
    const name =
      note.models === ''
        ? t('web.makers.makers-view.all-of', { maker: note.maker })
        : `${note.maker} ${note.models}`;
    groups.set(name, [...(groups.get(name) ?? []), note]);
  });
  return (
    <>
      {[...groups].map(([name, of]) => (
        <Group key={name}>
          <h2>{name}</h2>
          <ul>
            {of.map((note) => (
              <li key={note.topic}>
                <b>{note.topicWords}</b>
                <span>
                  {note.text}{' '}
                  <small>
                    {note.by}, {when(note.at)}
                  </small>
                </span>
                {onEdit !== undefined && (
                  <Button
                    aria-label={t('web.makers.makers-view.change', {
                      name,
                      topicWords: note.topicWords,
                    })}
                    onPress={() => onEdit(note)}
                  >
                    {t('web.makers.makers-view.change-2')}
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </Group>
      ))}
    </>
  );
}

const NOTE = object({
  maker: said(120),
  models: pipe(string(), trim(), maxLength(200)),
  topic: picklist(TOPICS.map(([id]) => id)),
  text: said(2000),
});

function Editor({ draft, onClose }: { draft: Draft; onClose: () => void }) {
  const call = useCall(keys.makers);
  const isNew = draft === NEW;
  const { control, handleSubmit } = useChecked(NOTE, {
    maker: draft.maker,
    models: draft.models,
    topic: draft.topic,
    text: draft.text,
  });
  const keep = (body: Draft) =>
    call.mutate(() => api.POST('/api/maker-notes', { body }), { onSuccess: onClose });
  return (
    <Modal
      title={
        isNew ? t('web.makers.makers-view.a-new-note') : t('web.makers.makers-view.change-the-note')
      }
      isOpen
      onClose={onClose}
    >
      <Fields onSubmit={handleSubmit(keep)}>
        {isNew ? (
          <>
            <CheckedField
              control={control}
              name="maker"
              label={t('web.makers.makers-view.maker')}
              maxLength={120}
              autoFocus
            />
            <CheckedField
              control={control}
              name="models"
              label={t('web.makers.makers-view.models-that-begin-with-empty-all')}
              maxLength={200}
            />
            <CheckedSelect
              control={control}
              name="topic"
              label={t('web.makers.makers-view.about')}
              options={TOPICS}
            />
          </>
        ) : (
          <p>
            {draft.models === ''
              ? t('web.makers.makers-view.all-of', { maker: draft.maker })
              : `${draft.maker} ${draft.models}`}
            : {TOPICS.find(([id]) => id === draft.topic)?.[1]}
          </p>
        )}
        <CheckedField
          control={control}
          name="text"
          label={t('web.makers.makers-view.what-a-colleague-needs-to-know')}
          maxLength={2000}
          autoFocus={!isNew}
        />
        {call.isError && <ProblemNote error={call.error} />}
        <Row>
          <Button primary type="submit" isPending={call.isPending}>
            {t('web.makers.makers-view.keep-it')}
          </Button>
          {!isNew && (
            <Button
              isPending={call.isPending}
              onPress={() =>
                keep({ maker: draft.maker, models: draft.models, topic: draft.topic, text: '' })
              }
            >
              {t('web.makers.makers-view.take-the-note-away')}
            </Button>
          )}
        </Row>
      </Fields>
    </Modal>
  );
}

const Fields = styled(Form)`
  display: grid;
  gap: 12px;
`;

const Bar = styled.div`
  display: flex;
  align-items: end;
  gap: 12px;
  margin: 12px 0;
  & > :first-child {
    flex: 0 1 420px;
  }
`;

const Empty = styled(Sheet)`
  padding: 16px;
`;

const Group = styled(Sheet)`
  padding: 12px 16px;
  & + & {
    margin-top: 12px;
  }
  h2 {
    font-size: ${size.head};
    margin: 0 0 4px;
  }
  li {
    display: grid;
    grid-template-columns: 260px minmax(0, 1fr) auto;
    gap: 12px;
    align-items: center;
    padding: 6px 0;
    & + li {
      border-top: 1px solid ${color.line};
    }
  }
  b {
    font-weight: 400;
    color: ${color.ink2};
  }
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
