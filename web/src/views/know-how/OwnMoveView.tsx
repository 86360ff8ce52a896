import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useKnowHowChoices, useMovesFromElsewhere, useSession } from '../../api/queries';
import type {
  Invasiveness,
  KnowHowChange,
  KnowHowChoices,
  MoveFromElsewhere,
} from '../../api/types';
import { Field } from '../../ui/Field';
import { Loaded } from '../../ui/Loaded';
import { Select } from '../../ui/Select';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';
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
import { draftOf, Form, MoveWordsFields, Pair, Propose, wordsOf, type MoveDraft } from './Editors';
import { Likelihoods } from './Likelihoods';
import { Proposal } from './Proposal';
import { missing } from '../../ui/missing';

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
const EMPTY: MoveDraft = {
  name: '',
  purpose: '',
  handsOn: '5',
  waiting: '0',
  families: [],
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

function Draft({ choices, from }: { choices: KnowHowChoices; from?: MoveFromElsewhere }) {
  const navigate = useNavigate();
  const own = from?.move;
  const [words, setWords] = useState(own === undefined ? EMPTY : draftOf(own.words));
  const [act, setAct] = useState<Own['act']>(own?.act ?? 'OBSERVE');
  const [place, setPlace] = useState(own?.place ?? 'power');
  const [of, setOf] = useState(own?.of ?? 'machine');
  const [bootStage, setBootStage] = useState(own?.bootStage ?? 'nothing');
  const [invasiveness, setInvasiveness] = useState<Invasiveness>(own?.invasiveness ?? 'LOOKS_ONLY');
  const [loads, setLoads] = useState<string>(loadsOf(own?.loads ?? []));
  const [looksAt, setLooksAt] = useState(own?.looksAt ?? '');
  const [levelText, setLevelText] = useState(
    own?.levels.join('\n') ?? `${t('web.know-how.own-move-view.nothing-2')}\n`,
  );
  const [rows, setRows] = useState<Row[]>(
    own === undefined ? [{ id: '', values: ['100'] }] : rowsOfOwn(own),
  );
  const [change, setChange] = useState<KnowHowChange | null>(null);
  const levels = lines(levelText);
  const fitted = rows.map((row) => ({
    ...row,
    values: levels.map((_, i) => row.values[i] ?? '0'),
  }));
  const said = wordsOf(words);
  const lacks = missing(
    [said !== null, t('web.missing.a-word-in-each-field')],
    [looksAt.trim() !== '', t('web.missing.what-it-looks-at')],
    [levels.length >= 2, t('web.missing.two-outcomes')],
    [
      fitted.length >= 2 && fitted.every((row) => rowProblem(row) === null),
      t('web.missing.shares-that-fit'),
    ],
  );
  // Its findings in the job that it came with are weighed only while they mean the same.
  const isSame = own?.looksAt === looksAt && own.levels.join('\n') === levels.join('\n');
  const propose = () => {
    if (said === null) return;
    setChange(
      changeOf('OWN_MOVE', from !== undefined && isSame ? from.id : idOf(words.name), {
        ownMove: {
          words: said,
          act,
          place,
          of,
          bootStage,
          invasiveness,
          // A mixture that none of the choices stands for stays as it came.
          loads: loads === loadsOf(own?.loads ?? []) ? (own?.loads ?? []) : (LOADED[loads] ?? []),
          looksAt,
          levels,
          leak: fitted.find((row) => row.id === '')?.values.map(fromHundred) ?? [],
          links: listsOf(fitted.filter((row) => row.id !== '')),
        },
      }),
    );
  };
  return (
    <Wide>
      <Sheet hidden={change !== null}>
        <Form>
          <MoveWordsFields words={words} choices={choices} onChange={setWords} />
          <Pair>
            <Select
              label={t('web.know-how.own-move-view.what-it-is')}
              value={act}
              options={ACTS}
              onChange={setAct}
            />
            <Select
              label={t('web.know-how.own-move-view.stands-under')}
              value={place}
              options={PLACES}
              onChange={setPlace}
            />
            <Select
              label={t('web.know-how.own-move-view.done-to')}
              value={of}
              options={[
                ['machine', t('web.know-how.own-move-view.the-machine')],
                ['drive', t('web.know-how.own-move-view.a-drive')],
              ]}
              onChange={setOf}
            />
            <Select
              label={t('web.know-how.own-move-view.the-machine-gets-at-least-to')}
              value={bootStage}
              options={[...choices.bootStages]
                .reverse()
                .map((r) => [r, BOOT_STAGES[r] ?? r] as const)}
              onChange={setBootStage}
            />
            <Select
              label={t('web.know-how.own-move-view.how-invasive')}
              value={invasiveness}
              options={INVASIVENESS}
              onChange={setInvasiveness}
            />
            <Select
              label={t('web.know-how.own-move-view.works-for-long')}
              value={loads}
              options={LOADS}
              onChange={setLoads}
            />
          </Pair>
          <Field
            label={t('web.know-how.own-move-view.what-is-looked-at')}
            value={looksAt}
            onChange={setLooksAt}
            maxLength={120}
          />
          <Field
            label={t('web.know-how.own-move-view.what-may-be-seen-a-line')}
            hint={t('web.know-how.own-move-view.the-first-is-what-shows-when')}
            area
            value={levelText}
            onChange={setLevelText}
          />
          {levels.length >= 2 && (
            <Likelihoods
              head={t('web.know-how.own-move-view.of-100-if-at-work-is')}
              columns={levels}
              rows={fitted}
              names={choices.causes}
              nobody={t('web.know-how.own-move-view.no-cause')}
              distribution
              onChange={setRows}
            />
          )}
          <Propose missing={lacks} onPress={propose} />
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
