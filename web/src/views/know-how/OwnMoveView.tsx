import { useState } from 'react';
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

type Own = NonNullable<KnowHowChange['ownMove']>;

const ACTS: readonly (readonly [Own['act'], string])[] = [
  ['OBSERVE', 'Look, listen, feel'],
  ['TEST', 'Test'],
  ['SWAP', 'Swap a part'],
  ['CLEAN', 'Clean'],
  ['REPAIR', 'Repair'],
];
const PLACES: readonly (readonly [string, string])[] = [
  ['power', 'Power and cooling'],
  ['memory', 'Memory'],
  ['drive', 'Drives'],
  ['link', 'Cables and ports'],
  ['system', 'System'],
];
const INVASIVENESS: readonly (readonly [Invasiveness, string])[] = [
  ['LOOKS_ONLY', 'looks only'],
  ['NO_TOOLS', 'no tools'],
  ['OPENS_CASE', 'opens the case'],
  ['CHANGES_SETTINGS', 'changes settings'],
  ['WRITES_TO_DRIVE', 'writes to the drive'],
];
/** How far a machine must come for the move to be possible, in words. */
const BOOT_STAGES: Readonly<Record<string, string>> = {
  nothing: 'anywhere, even dead',
  power: 'power comes on',
  firmware: 'its firmware’s screen',
  picture: 'a picture',
  loader: 'the loader',
  recovery: 'its recovery menu',
  limited: 'a limited start',
  desktop: 'the desktop',
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
          ? 'A move of our own is offered like any other, by what it tells for its minutes'
          : 'Check this move of another shop before you take it over'}
      </Title>
      <Sub>
        It joins the <Link to="/know-how">know-how</Link>; one that writes to a drive is locked
        until the copy is verified, like all that do.
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
                    <p>This move is in the know-how already, or its job is gone.</p>
                  ) : (
                    <>
                      <p>
                        It came with job <Link to={`/job/${taken.job}`}>{taken.job}</Link>. What it
                        showed there is weighed once you take it over with the same things to see.
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
        <p>A lead adds it. Write down what you do and what it shows, and ask one.</p>
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
  ['none', 'nothing'],
  ['drive', 'a drive'],
  ['battery', 'the battery'],
  ['machine', 'the whole machine'],
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
  const [levelText, setLevelText] = useState(own?.levels.join('\n') ?? 'Nothing\n');
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
  const ready =
    said !== null &&
    looksAt.trim() !== '' &&
    levels.length >= 2 &&
    fitted.length >= 2 &&
    fitted.every((row) => rowProblem(row) === null);
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
            <Select label="What it is" value={act} options={ACTS} onChange={setAct} />
            <Select label="Stands under" value={place} options={PLACES} onChange={setPlace} />
            <Select
              label="Done to"
              value={of}
              options={[
                ['machine', 'the machine'],
                ['drive', 'a drive'],
              ]}
              onChange={setOf}
            />
            <Select
              label="The machine gets at least to"
              value={bootStage}
              options={[...choices.bootStages]
                .reverse()
                .map((r) => [r, BOOT_STAGES[r] ?? r] as const)}
              onChange={setBootStage}
            />
            <Select
              label="How invasive"
              value={invasiveness}
              options={INVASIVENESS}
              onChange={setInvasiveness}
            />
            <Select label="Works for long" value={loads} options={LOADS} onChange={setLoads} />
          </Pair>
          <Field label="What is looked at" value={looksAt} onChange={setLooksAt} maxLength={120} />
          <Field
            label="What may be seen, a line each"
            hint="The first is what shows when nothing is wrong."
            area
            value={levelText}
            onChange={setLevelText}
          />
          {levels.length >= 2 && (
            <Likelihoods
              head="of 100, if at work is"
              columns={levels}
              rows={fitted}
              names={choices.causes}
              nobody="no cause"
              distribution
              onChange={setRows}
            />
          )}
          <Propose isDisabled={!ready} onPress={propose} />
          {!ready && (
            <small>
              Missing yet: a name, why, steps, what is looked at, two things that may be seen, and
              what they speak for.
            </small>
          )}
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
