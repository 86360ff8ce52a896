import { object } from 'valibot';
import styled from 'styled-components';
import type { KnowHowChange, KnowHowChoices, KnowHowEntry } from '../../api/types';
import { Button } from '../../ui/Button';
import { CheckedField } from '../../ui/form/CheckedField';
import { minutes, said, shareOfHundred } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { t } from '../../words/words';
import { CheckedLikelihoods, distributions, shares } from './CheckedLikelihoods';
import { changeOf, fromHundred, listsOf, ofHundredText, rowsOf } from './draft';
import { MOVE, typedOf, wordsOf, type MoveWords } from './moveWords';
import { MoveWordsFields } from './MoveWordsFields';
import { Form, Pair, Propose } from './parts';

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

const FINDING = object({ name: said(120), rows: distributions() });

function FindingEditor({
  entry,
  choices,
  onPropose,
  finding,
}: EditorProps & { finding: NonNullable<KnowHowEntry['finding']> }) {
  const { control, handleSubmit } = useChecked(FINDING, {
    name: finding.name,
    rows: [{ id: '', values: finding.leak.map(ofHundredText) }, ...rowsOf(finding.links)],
  });
  const propose = handleSubmit(({ name, rows }) =>
    onPropose(
      changeOf('FINDING', entry.id, {
        finding: {
          name,
          leak: rows.find((row) => row.id === '')?.values.map(fromHundred) ?? [],
          links: listsOf(rows.filter((row) => row.id !== '')),
        },
      }),
    ),
  );
  return (
    <Form onSubmit={propose}>
      <CheckedField
        control={control}
        name="name"
        label={t('web.know-how.editors.name')}
        maxLength={120}
      />
      <CheckedLikelihoods
        control={control}
        name="rows"
        head={t('web.know-how.editors.of-100-if-at-work-is')}
        columns={entry.levels}
        names={choices.causes}
        nobody={t('web.know-how.editors.no-cause')}
        distribution
      />
      <Propose />
    </Form>
  );
}

const CAUSE = object({
  name: said(120),
  rows: shares(
    (p) => p < 1,
    () => t('web.know-how.editors.each-share-is-a-number-between'),
  ),
  risk: shareOfHundred(),
});

function CauseEditor({
  entry,
  choices,
  onPropose,
  cause,
}: EditorProps & { cause: NonNullable<KnowHowEntry['cause']> }) {
  const { control, handleSubmit } = useChecked(CAUSE, {
    name: cause.name,
    risk: ofHundredText(cause.dataRisk),
    rows: rowsOfShares(
      Object.entries(cause.prior).sort(([a], [b]) => Number(b === 'any') - Number(a === 'any')),
    ),
  });
  const propose = handleSubmit(({ name, rows, risk }) =>
    onPropose(
      changeOf('CAUSE', entry.id, { cause: { name, dataRisk: risk, prior: sharesOf(rows) } }),
    ),
  );
  return (
    <Form onSubmit={propose}>
      <CheckedField
        control={control}
        name="name"
        label={t('web.know-how.editors.name')}
        maxLength={120}
      />
      <CheckedLikelihoods
        control={control}
        name="rows"
        head={t('web.know-how.editors.comes-in-with')}
        columns={[t('web.know-how.editors.machines-of-100-that-have-it')]}
        names={[
          { id: 'any', name: t('web.know-how.editors.any-other-complaint') },
          ...choices.families,
        ]}
        distribution={false}
      />
      <CheckedField
        control={control}
        name="risk"
        label={t('web.know-how.editors.data-lost-if-it-is-left')}
        inputMode="decimal"
      />
      <Propose />
    </Form>
  );
}

function MoveEditor({ entry, choices, onPropose, move }: EditorProps & { move: MoveWords }) {
  const { control, handleSubmit } = useChecked(MOVE, typedOf(move));
  const propose = handleSubmit((typed) =>
    onPropose(changeOf('MOVE', entry.id, { move: wordsOf(typed) })),
  );
  return (
    <Form onSubmit={propose}>
      <MoveWordsFields control={control} choices={choices} />
      <Buttons>
        <Propose />
        {!entry.aside && (
          <Button onPress={() => onPropose(changeOf('ASIDE', entry.id))}>
            {t('web.know-how.editors.offer-it-no-more')}
          </Button>
        )}
      </Buttons>
    </Form>
  );
}

const REMEDY = object({
  name: said(120),
  handsOn: minutes(),
  waiting: minutes(),
  parts: minutes(),
  rows: shares(
    (p) => p <= 1,
    () => t('web.know-how.editors.each-is-a-number-above-0'),
  ),
});

function RemedyEditor({
  entry,
  choices,
  onPropose,
  remedy,
}: EditorProps & { remedy: NonNullable<KnowHowEntry['remedy']> }) {
  const { control, handleSubmit } = useChecked(REMEDY, {
    name: remedy.name,
    handsOn: String(remedy.handsOnMinutes),
    waiting: String(remedy.waitingMinutes),
    parts: String(remedy.partsMinutes),
    rows: rowsOfShares(Object.entries(remedy.cures)),
  });
  const propose = handleSubmit(({ name, handsOn, waiting, parts, rows }) =>
    onPropose(
      changeOf('REMEDY', entry.id, {
        remedy: {
          name,
          handsOnMinutes: handsOn,
          waitingMinutes: waiting,
          partsMinutes: parts,
          cures: sharesOf(rows),
        },
      }),
    ),
  );
  return (
    <Form onSubmit={propose}>
      <CheckedField
        control={control}
        name="name"
        label={t('web.know-how.editors.name')}
        maxLength={120}
      />
      <Pair>
        <CheckedField
          control={control}
          name="handsOn"
          label={t('web.know-how.editors.minutes-of-hands')}
          inputMode="numeric"
        />
        <CheckedField
          control={control}
          name="waiting"
          label={t('web.know-how.editors.minutes-of-waiting')}
          inputMode="numeric"
        />
        <CheckedField
          control={control}
          name="parts"
          label={t('web.know-how.editors.parts-in-minutes-of-work')}
          inputMode="numeric"
        />
      </Pair>
      <CheckedLikelihoods
        control={control}
        name="rows"
        head={t('web.know-how.editors.mends')}
        columns={[t('web.know-how.editors.of-100-for-good')]}
        names={choices.causes}
        distribution={false}
      />
      <Propose />
    </Form>
  );
}

const rowsOfShares = (byId: [string, number][]) =>
  byId.map(([id, p]) => ({ id, values: [ofHundredText(p)] }));

const sharesOf = (rows: readonly { id: string; values: string[] }[]) =>
  Object.fromEntries(rows.map((row) => [row.id, fromHundred(row.values[0] ?? '')]));

const Buttons = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;
