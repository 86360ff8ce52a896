import { t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import type { KnowHowChange, KnowHowChoices, KnowHowEntry } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import {
  changeOf,
  fromHundred,
  lines,
  listsOf,
  ofHundredText,
  rowProblem,
  rowsOf,
  type Row,
} from './draft';
import { Tick } from '../../ui/Tick';
import { Likelihoods } from './Likelihoods';
import { missing } from '../../ui/missing';

export interface EditorProps {
  entry: KnowHowEntry;
  choices: KnowHowChoices;
  onPropose: (change: KnowHowChange) => void;
}

/** What can be changed of an entry; ids, levels and what a probe does cannot. */
export function Editor(props: EditorProps) {
  const { entry } = props;
  if (entry.finding !== null) return <FindingEditor {...props} finding={entry.finding} />;
  if (entry.cause !== null) return <CauseEditor {...props} cause={entry.cause} />;
  if (entry.move !== null) return <MoveEditor {...props} move={entry.move} />;
  if (entry.remedy !== null) return <RemedyEditor {...props} remedy={entry.remedy} />;
  return null;
}

function FindingEditor({
  entry,
  choices,
  onPropose,
  finding,
}: EditorProps & { finding: NonNullable<KnowHowEntry['finding']> }) {
  const [name, setName] = useState(finding.name);
  const [rows, setRows] = useState<Row[]>(() => [
    { id: '', values: finding.leak.map(ofHundredText) },
    ...rowsOf(finding.links),
  ]);
  const leak = rows.find((row) => row.id === '');
  return (
    <Form>
      <Field
        label={t('web.know-how.editors.name')}
        value={name}
        onChange={setName}
        maxLength={120}
      />
      <Likelihoods
        head={t('web.know-how.editors.of-100-if-at-work-is')}
        columns={entry.levels}
        rows={rows}
        names={choices.causes}
        nobody={t('web.know-how.editors.no-cause')}
        distribution
        onChange={setRows}
      />
      <Propose
        missing={missing(
          [name.trim() !== '', t('web.missing.a-name')],
          [rows.every((row) => rowProblem(row) === null), t('web.missing.shares-that-fit')],
        )}
        onPress={() =>
          onPropose(
            changeOf('FINDING', entry.id, {
              finding: {
                name,
                leak: leak?.values.map(fromHundred) ?? [],
                links: listsOf(rows.filter((row) => row.id !== '')),
              },
            }),
          )
        }
      />
    </Form>
  );
}

function CauseEditor({
  entry,
  choices,
  onPropose,
  cause,
}: EditorProps & { cause: NonNullable<KnowHowEntry['cause']> }) {
  const [name, setName] = useState(cause.name);
  const [risk, setRisk] = useState(ofHundredText(cause.dataRisk));
  const [rows, setRows] = useState<Row[]>(() =>
    Object.entries(cause.prior)
      .sort(([a], [b]) => Number(b === 'any') - Number(a === 'any'))
      .map(([id, p]) => ({ id, values: [ofHundredText(p)] })),
  );
  const bad = rows.some((row) => {
    const p = fromHundred(row.values[0] ?? '');
    return !(p > 0 && p < 1);
  });
  const dataRisk = fromHundred(risk);
  return (
    <Form>
      <Field
        label={t('web.know-how.editors.name')}
        value={name}
        onChange={setName}
        maxLength={120}
      />
      <Likelihoods
        head={t('web.know-how.editors.comes-in-with')}
        columns={[t('web.know-how.editors.machines-of-100-that-have-it')]}
        rows={rows}
        names={[
          { id: 'any', name: t('web.know-how.editors.any-other-complaint') },
          ...choices.families,
        ]}
        distribution={false}
        onChange={setRows}
      />
      <Field
        label={t('web.know-how.editors.data-lost-if-it-is-left')}
        value={risk}
        onChange={setRisk}
        inputMode="decimal"
      />
      {bad && (
        <Wrong role="alert">{t('web.know-how.editors.each-share-is-a-number-between')}</Wrong>
      )}
      <Propose
        missing={missing(
          [name.trim() !== '', t('web.missing.a-name')],
          [!bad && dataRisk >= 0 && dataRisk <= 1, t('web.missing.shares-that-fit')],
        )}
        onPress={() =>
          onPropose(
            changeOf('CAUSE', entry.id, {
              cause: {
                name,
                dataRisk,
                prior: Object.fromEntries(
                  rows.map((row) => [row.id, fromHundred(row.values[0] ?? '')]),
                ),
              },
            }),
          )
        }
      />
    </Form>
  );
}

type MoveWords = NonNullable<KnowHowEntry['move']>;

function MoveEditor({ entry, choices, onPropose, move }: EditorProps & { move: MoveWords }) {
  const [words, setWords] = useState(() => draftOf(move));
  const said = wordsOf(words);
  return (
    <Form>
      <MoveWordsFields words={words} choices={choices} onChange={setWords} />
      <Buttons>
        <Propose
          missing={missing([said !== null, t('web.missing.a-word-in-each-field')])}
          onPress={() => said !== null && onPropose(changeOf('MOVE', entry.id, { move: said }))}
        />
        {!entry.aside && (
          <Button onPress={() => onPropose(changeOf('ASIDE', entry.id))}>
            {t('web.know-how.editors.offer-it-no-more')}
          </Button>
        )}
      </Buttons>
    </Form>
  );
}

export interface MoveDraft {
  name: string;
  purpose: string;
  handsOn: string;
  waiting: string;
  families: string[];
  needs: string;
  steps: string;
}

export const draftOf = (move: MoveWords): MoveDraft => ({
  name: move.name,
  purpose: move.purpose,
  handsOn: String(move.handsOnMinutes),
  waiting: String(move.waitingMinutes),
  families: [...move.families],
  needs: move.needs.join('\n'),
  steps: move.steps.join('\n'),
});

/** @returns null while something is missing */
export function wordsOf(draft: MoveDraft): MoveWords | null {
  const handsOnMinutes = wholeMinutes(draft.handsOn);
  const waitingMinutes = wholeMinutes(draft.waiting);
  const steps = lines(draft.steps);
  if (
    draft.name.trim() === '' ||
    draft.purpose.trim() === '' ||
    steps.length === 0 ||
    handsOnMinutes === null ||
    waitingMinutes === null
  ) {
    return null;
  }
  return {
    name: draft.name,
    purpose: draft.purpose,
    handsOnMinutes,
    waitingMinutes,
    families: draft.families,
    needs: lines(draft.needs),
    steps,
  };
}

const wholeMinutes = (text: string) => (/^\d{1,5}$/.test(text.trim()) ? Number(text) : null);

interface MoveWordsProps {
  words: MoveDraft;
  choices: KnowHowChoices;
  onChange: (words: MoveDraft) => void;
}

export function MoveWordsFields({ words, choices, onChange }: MoveWordsProps) {
  const set = (part: Partial<MoveDraft>) => onChange({ ...words, ...part });
  return (
    <>
      <Field
        label={t('web.know-how.editors.name')}
        hint={t('web.know-how.editors.stands-for-the-part-it-is')}
        value={words.name}
        onChange={(name) => set({ name })}
        maxLength={120}
      />
      <Field
        label={t('web.know-how.editors.why-it-is-worth-doing')}
        value={words.purpose}
        onChange={(purpose) => set({ purpose })}
        maxLength={300}
      />
      <Pair>
        <Field
          label={t('web.know-how.editors.minutes-of-hands')}
          value={words.handsOn}
          onChange={(handsOn) => set({ handsOn })}
          inputMode="numeric"
        />
        <Field
          label={t('web.know-how.editors.minutes-of-waiting')}
          value={words.waiting}
          onChange={(waiting) => set({ waiting })}
          inputMode="numeric"
        />
      </Pair>
      <Field
        label={t('web.know-how.editors.what-to-do-a-step-a')}
        hint={t('web.know-how.editors.30-at-the-end-of-a')}
        area
        value={words.steps}
        onChange={(steps) => set({ steps })}
      />
      <Field
        label={t('web.know-how.editors.what-is-needed-a-thing-a')}
        area
        value={words.needs}
        onChange={(needs) => set({ needs })}
      />
      <Families>
        <legend>{t('web.know-how.editors.offered-for-these-complaints-none-ticked')}</legend>
        {choices.families.map((family) => (
          <Tick
            key={family.id}
            isSelected={words.families.includes(family.id)}
            onChange={(isTicked) =>
              set({
                families: isTicked
                  ? [...words.families, family.id]
                  : words.families.filter((id) => id !== family.id),
              })
            }
          >
            {family.name}
          </Tick>
        ))}
      </Families>
    </>
  );
}

function RemedyEditor({
  entry,
  choices,
  onPropose,
  remedy,
}: EditorProps & { remedy: NonNullable<KnowHowEntry['remedy']> }) {
  const [name, setName] = useState(remedy.name);
  const [handsOn, setHandsOn] = useState(String(remedy.handsOnMinutes));
  const [waiting, setWaiting] = useState(String(remedy.waitingMinutes));
  const [parts, setParts] = useState(String(remedy.partsMinutes));
  const [rows, setRows] = useState<Row[]>(() =>
    Object.entries(remedy.cures).map(([id, p]) => ({ id, values: [ofHundredText(p)] })),
  );
  const minutes = [handsOn, waiting, parts].map(wholeMinutes);
  const [handsOnMinutes, waitingMinutes, partsMinutes] = minutes;
  const bad = rows.some((row) => {
    const p = fromHundred(row.values[0] ?? '');
    return !(p > 0 && p <= 1);
  });
  return (
    <Form>
      <Field
        label={t('web.know-how.editors.name')}
        value={name}
        onChange={setName}
        maxLength={120}
      />
      <Pair>
        <Field
          label={t('web.know-how.editors.minutes-of-hands')}
          value={handsOn}
          onChange={setHandsOn}
        />
        <Field
          label={t('web.know-how.editors.minutes-of-waiting')}
          value={waiting}
          onChange={setWaiting}
        />
        <Field
          label={t('web.know-how.editors.parts-in-minutes-of-work')}
          value={parts}
          onChange={setParts}
        />
      </Pair>
      <Likelihoods
        head={t('web.know-how.editors.mends')}
        columns={[t('web.know-how.editors.of-100-for-good')]}
        rows={rows}
        names={choices.causes}
        distribution={false}
        onChange={setRows}
      />
      {bad && <Wrong role="alert">{t('web.know-how.editors.each-is-a-number-above-0')}</Wrong>}
      <Propose
        missing={missing(
          [name.trim() !== '', t('web.missing.a-name')],
          [!bad, t('web.missing.shares-that-fit')],
          [!minutes.includes(null), t('web.missing.minutes')],
        )}
        onPress={() =>
          onPropose(
            changeOf('REMEDY', entry.id, {
              remedy: {
                name,
                handsOnMinutes: handsOnMinutes ?? 0,
                waitingMinutes: waitingMinutes ?? 0,
                partsMinutes: partsMinutes ?? 0,
                cures: Object.fromEntries(
                  rows.map((row) => [row.id, fromHundred(row.values[0] ?? '')]),
                ),
              },
            }),
          )
        }
      />
    </Form>
  );
}

export function Propose(props: { missing: readonly string[]; onPress: () => void }) {
  return (
    <Button primary {...props}>
      {t('web.know-how.editors.what-would-it-have-changed')}
    </Button>
  );
}

export const Form = styled.div`
  display: grid;
  gap: 14px;
  justify-items: start;
  padding: 4px 16px 16px;
  > * {
    max-width: 100%;
  }
  > :not(button) {
    justify-self: stretch;
  }
`;

export const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  align-items: end;
  gap: 12px;
`;

const Buttons = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

const Families = styled.fieldset`
  border: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  legend {
    font-weight: 700;
    padding: 0;
  }
`;

const Wrong = styled.p`
  color: ${color.implicated};
`;
