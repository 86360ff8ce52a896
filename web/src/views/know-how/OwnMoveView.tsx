import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { useWatch } from 'react-hook-form';
import { Link, useNavigate, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { forward, object, partialCheck, picklist, pipe, string } from 'valibot';
import { useKnowHowChoices, useMovesFromElsewhere, useSession } from '../../api/queries';
import type {
  Invasiveness,
  KnowHowChange,
  KnowHowChoices,
  MoveFromElsewhere,
} from '../../api/types';
import { CheckedField } from '../../ui/form/CheckedField';
import { CheckedSelect } from '../../ui/form/CheckedSelect';
import { lineList, lines, said } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { Loaded } from '../../ui/Loaded';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { CheckedLikelihoods, ROWS } from './CheckedLikelihoods';
import {
  changeOf,
  fitted,
  fromHundred,
  listsOf,
  ofHundredText,
  rowProblem,
  rowsOf,
  type Row,
} from './draft';
import { MOVE_WORDS, typedOf, wordsOf } from './moveWords';
import { MoveWordsFields } from './MoveWordsFields';
import { Form, Pair, Propose } from './parts';
import { Proposal } from './Proposal';

type Own = NonNullable<KnowHowChange['ownMove']>;

const ACTS: readonly (readonly [Own['act'], string])[] = [
  ['OBSERVE', t('web.know-how.own-move-view.look-listen-feel')],
  ['TEST', t('web.know-how.own-move-view.test')],
  ['SWAP', t('web.know-how.own-move-view.swap-a-part')],
  ['CLEAN', t('web.know-how.own-move-view.clean')],
  ['REPAIR', t('web.know-how.own-move-view.repair')],
];
const PLACES: readonly (readonly [string, string])[] = [
  ['power', t('web.know-how.own-move-view.power-and-cooling')],
  ['memory', t('web.know-how.own-move-view.memory')],
  ['drive', t('web.know-how.own-move-view.drives')],
  ['link', t('web.know-how.own-move-view.cables-and-ports')],
  ['system', t('web.know-how.own-move-view.system')],
];
const INVASIVENESS: readonly (readonly [Invasiveness, string])[] = [
  ['LOOKS_ONLY', t('web.know-how.own-move-view.looks-only')],
  ['NO_TOOLS', t('web.know-how.own-move-view.no-tools')],
  ['OPENS_CASE', t('web.know-how.own-move-view.opens-the-case')],
  ['CHANGES_SETTINGS', t('web.know-how.own-move-view.changes-settings')],
  ['WRITES_TO_DRIVE', t('web.know-how.own-move-view.writes-to-the-drive')],
];
/** How far a machine must come for the move to be possible, in words. */
const BOOT_STAGES: Readonly<Record<string, string>> = {
  nothing: t('web.know-how.own-move-view.anywhere-even-dead'),
  power: t('web.know-how.own-move-view.power-comes-on'),
  firmware: t('web.know-how.own-move-view.its-firmware-s-screen'),
  picture: t('web.know-how.own-move-view.a-picture'),
  loader: t('web.know-how.own-move-view.the-loader'),
  recovery: t('web.know-how.own-move-view.its-recovery-menu'),
  limited: t('web.know-how.own-move-view.a-limited-start'),
  desktop: t('web.know-how.own-move-view.the-desktop'),
};
const EMPTY = {
  name: '',
  purpose: '',
  handsOn: '5',
  waiting: '0',
  families: [] as string[],
  needs: '',
  steps: '',
};

/** A move that the shop adds: what to do, what to look at, and what that speaks for. */
export function OwnMoveView() {
  const [params] = useSearchParams();
  const from = params.get('from');
  const choices = useKnowHowChoices();
  const elsewhere = useMovesFromElsewhere();
  const isLead = useSession().data?.person?.role === 'LEAD';
  return (
    <Page>
      <Title>
        {from === null
          ? t('web.know-how.own-move-view.a-move-of-our-own-is')
          : t('web.know-how.own-move-view.check-this-move-of-another-shop')}
      </Title>
      <Sub>
        {say('web.know-how.own-move-view.it-joins-the-know-how-one', {
          link: (words: ReactNode) => <Link to="/know-how">{words}</Link>,
        })}
      </Sub>
      {isLead ? (
        <Loaded query={choices}>
          {(all) =>
            from === null ? (
              <Draft choices={all} />
            ) : (
              <Loaded query={elsewhere}>
                {(moves) => {
                  const taken = moves.find((move) => move.id === from);
                  return taken === undefined ? (
                    <p>{t('web.know-how.own-move-view.this-move-is-in-the-know')}</p>
                  ) : (
                    <>
                      <p>
                        {say('web.know-how.own-move-view.it-came-with-job-what-it', {
                          link: (words: ReactNode) => <Link to={`/job/${taken.job}`}>{words}</Link>,
                          job: taken.job,
                        })}
                      </p>
                      <Draft choices={all} from={taken} />
                    </>
                  );
                }}
              </Loaded>
            )
          }
        </Loaded>
      ) : (
        <p>{t('web.know-how.own-move-view.a-lead-adds-it-write-down')}</p>
      )}
    </Page>
  );
}

/** Same name, same id: the second of a name is refused, as it should be. */
export function idOf(name: string): string {
  const plain = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  // Of letters that are not Latin their numbers.
  const words = plain !== '' ? plain : [...name.trim()].map((c) => c.codePointAt(0)).join('-');
  return `own.${words.slice(0, 48)}`;
}

/** What is worked for long decides what is locked, whoever made the move. */
const LOADED: Record<string, Own['loads']> = {
  none: [],
  drive: ['DRIVE'],
  battery: ['BATTERY', 'MACHINE'],
  machine: ['MACHINE'],
};

const LOADS = [
  ['none', t('web.know-how.own-move-view.nothing')],
  ['drive', t('web.know-how.own-move-view.a-drive')],
  ['battery', t('web.know-how.own-move-view.the-battery')],
  ['machine', t('web.know-how.own-move-view.the-whole-machine')],
] as const;

/** The choice that stands for what a move loads; all that it loads, at least. */
const loadsOf = (loads: Own['loads']) =>
  loads.includes('BATTERY')
    ? 'battery'
    : loads.includes('MACHINE')
      ? 'machine'
      : loads.includes('DRIVE')
        ? 'drive'
        : 'none';

const rowsOfOwn = (own: Own): Row[] => [
  { id: '', values: own.leak.map(ofHundredText) },
  ...rowsOf(own.links),
];

const OWN = pipe(
  object({
    ...MOVE_WORDS,
    act: picklist(ACTS.map(([id]) => id)),
    place: string(),
    of: string(),
    bootStage: string(),
    invasiveness: picklist(INVASIVENESS.map(([id]) => id)),
    loads: string(),
    looksAt: said(120),
    levels: lineList(2),
    rows: ROWS,
  }),
  forward(
    partialCheck(
      [['levels'], ['rows']],
      ({ levels, rows }) =>
        rows.length >= 2 && fitted(rows, levels).every((row) => rowProblem(row) === null),
      () => t('web.know-how.own-move-view.a-cause-and-rows-that-come-to'),
    ),
    ['rows'],
  ),
);

function Draft({ choices, from }: { choices: KnowHowChoices; from?: MoveFromElsewhere }) {
  const navigate = useNavigate();
  const own = from?.move;
  const { control, handleSubmit } = useChecked(OWN, {
    ...(own === undefined ? EMPTY : typedOf(own.words)),
    act: own?.act ?? 'OBSERVE',
    place: own?.place ?? 'power',
    of: own?.of ?? 'machine',
    bootStage: own?.bootStage ?? 'nothing',
    invasiveness: own?.invasiveness ?? 'LOOKS_ONLY',
    loads: loadsOf(own?.loads ?? []),
    looksAt: own?.looksAt ?? '',
    levels: own?.levels.join('\n') ?? `${t('web.know-how.own-move-view.nothing-2')}\n`,
    rows: own === undefined ? [{ id: '', values: ['100'] }] : rowsOfOwn(own),
  });
  const [change, setChange] = useState<KnowHowChange | null>(null);
  const levels = lines(useWatch({ control, name: 'levels' }));
  const propose = handleSubmit((typed) => {
    // Its findings in the job that it came with are weighed only while they mean the same.
    const isSame =
      own?.looksAt === typed.looksAt && own.levels.join('\n') === typed.levels.join('\n');
    const rows = fitted(typed.rows, typed.levels);
    setChange(
      changeOf('OWN_MOVE', from !== undefined && isSame ? from.id : idOf(typed.name), {
        ownMove: {
          words: wordsOf(typed),
          act: typed.act,
          place: typed.place,
          of: typed.of,
          bootStage: typed.bootStage,
          invasiveness: typed.invasiveness,
          // A mixture that none of the choices stands for stays as it came.
          loads:
            typed.loads === loadsOf(own?.loads ?? [])
              ? (own?.loads ?? [])
              : (LOADED[typed.loads] ?? []),
          looksAt: typed.looksAt,
          levels: typed.levels,
          leak: rows.find((row) => row.id === '')?.values.map(fromHundred) ?? [],
          links: listsOf(rows.filter((row) => row.id !== '')),
        },
      }),
    );
  });
  return (
    <Wide>
      <Sheet hidden={change !== null}>
        <Form onSubmit={propose}>
          <MoveWordsFields control={control} choices={choices} />
          <Pair>
            <CheckedSelect
              control={control}
              name="act"
              label={t('web.know-how.own-move-view.what-it-is')}
              options={ACTS}
            />
            <CheckedSelect
              control={control}
              name="place"
              label={t('web.know-how.own-move-view.stands-under')}
              options={PLACES}
            />
            <CheckedSelect
              control={control}
              name="of"
              label={t('web.know-how.own-move-view.done-to')}
              options={[
                ['machine', t('web.know-how.own-move-view.the-machine')],
                ['drive', t('web.know-how.own-move-view.a-drive')],
              ]}
            />
            <CheckedSelect
              control={control}
              name="bootStage"
              label={t('web.know-how.own-move-view.the-machine-gets-at-least-to')}
              options={[...choices.bootStages]
                .reverse()
                .map((r) => [r, BOOT_STAGES[r] ?? r] as const)}
            />
            <CheckedSelect
              control={control}
              name="invasiveness"
              label={t('web.know-how.own-move-view.how-invasive')}
              options={INVASIVENESS}
            />
            <CheckedSelect
              control={control}
              name="loads"
              label={t('web.know-how.own-move-view.works-for-long')}
              options={LOADS}
            />
          </Pair>
          <CheckedField
            control={control}
            name="looksAt"
            label={t('web.know-how.own-move-view.what-is-looked-at')}
            maxLength={120}
          />
          <CheckedField
            control={control}
            name="levels"
            label={t('web.know-how.own-move-view.what-may-be-seen-a-line')}
            hint={t('web.know-how.own-move-view.the-first-is-what-shows-when')}
            area
          />
          {levels.length >= 2 && (
            <CheckedLikelihoods
              control={control}
              name="rows"
              head={t('web.know-how.own-move-view.of-100-if-at-work-is')}
              columns={levels}
              names={choices.causes}
              nobody={t('web.know-how.own-move-view.no-cause')}
              distribution
            />
          )}
          <Propose />
        </Form>
      </Sheet>
      {change !== null && (
        <Proposal
          change={change}
          version={0}
          onDone={() => void navigate(`/know-how/MOVE/${change.id}`)}
          onDrop={() => setChange(null)}
        />
      )}
    </Wide>
  );
}

const Wide = styled.div`
  margin-top: 12px;
  max-width: 900px;
  section {
    padding-top: 12px;
  }
  section[hidden] {
    display: none;
  }
`;
