import { useState } from 'react';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useMakerNotes, useSession } from '../../api/queries';
import type { MakerNote } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';

const TOPICS = [
  ['FIRMWARE_KEY', 'Key to its firmware'],
  ['TESTS_KEY', 'Key to its built-in tests'],
  ['START_KEY', 'Key to the choice of what it starts from'],
  ['RESULT_CODES', 'Codes of its built-in tests'],
  ['CASE', 'How its case opens'],
  ['WEAK_POINT', 'Known weak point'],
  ['CHARGES_WITH', 'What charges it'],
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
      <Title>What differs from maker to maker</Title>
      <Sub>
        A note holds for all of a maker, or for the models whose names begin as it says; the closest
        one is shown inside the moves that need it.
      </Sub>
      <Bar>
        <Field
          label="Search the notes"
          value={text}
          onChange={(value) => setParams(value === '' ? {} : { text: value }, { replace: true })}
          autoComplete="off"
        />
        {mayWrite && (
          <Button primary onPress={() => setDraft(NEW)}>
            Write a note
          </Button>
        )}
      </Bar>
      <Loaded query={notes}>
        {(data) =>
          data.length === 0 ? (
            <Empty>
              {text === ''
                ? 'Nothing is written down yet. Begin with the key that opens the firmware.'
                : `No note has “${text}” in it.`}
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
    const name = note.models === '' ? `All of ${note.maker}` : `${note.maker} ${note.models}`;
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
                    aria-label={`Change: ${name}, ${note.topicWords}`}
                    onPress={() => onEdit(note)}
                  >
                    Change
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

function Editor({ draft, onClose }: { draft: Draft; onClose: () => void }) {
  const call = useCall(keys.makers);
  const isNew = draft === NEW;
  const [note, setNote] = useState<Draft>(draft);
  const set = (more: Partial<Draft>) => setNote({ ...note, ...more });
  const keep = (text: string) =>
    call.mutate(
      () =>
        api.POST('/api/maker-notes', {
          body: { maker: note.maker, models: note.models, topic: note.topic, text },
        }),
      { onSuccess: onClose },
    );
  return (
    <Modal title={isNew ? 'A new note' : 'Change the note'} isOpen onClose={onClose}>
      {isNew ? (
        <>
          <Field
            label="Maker"
            value={note.maker}
            onChange={(maker) => set({ maker })}
            maxLength={120}
            autoFocus
          />
          <Field
            label="Models that begin with (empty: all of the maker)"
            value={note.models}
            onChange={(models) => set({ models })}
            maxLength={200}
          />
          <Select
            label="About"
            value={note.topic}
            options={TOPICS}
            onChange={(topic) => set({ topic })}
          />
        </>
      ) : (
        <p>
          {note.models === '' ? `All of ${note.maker}` : `${note.maker} ${note.models}`}:{' '}
          {TOPICS.find(([id]) => id === note.topic)?.[1]}
        </p>
      )}
      <Field
        label="What a colleague needs to know"
        value={note.text}
        onChange={(text) => set({ text })}
        maxLength={2000}
        autoFocus={!isNew}
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button
          primary
          isDisabled={note.maker.trim() === '' || note.text.trim() === ''}
          isPending={call.isPending}
          onPress={() => keep(note.text)}
        >
          Keep it
        </Button>
        {!isNew && (
          <Button isPending={call.isPending} onPress={() => keep('')}>
            Take the note away
          </Button>
        )}
      </Row>
    </Modal>
  );
}

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
