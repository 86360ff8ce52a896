import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useBattery, useReadPart } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { Battery, ChargeResult } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Back, Stack, TwoColumns } from '../../ui/Layout';
import { when } from '../../ui/format';
import { LineChart } from '../../ui/LineChart';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Mono, Page, Sheet, SheetHead, Teach, Title } from '../../ui/Sheet';
import { UnsafeBattery } from '../../ui/UnsafeBattery';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';
import { Discharges } from './Discharges';
import { FadeCard } from './FadeCard';
import { health, measuredOf, percent, worseSecond } from './figures';

/** A battery: what is in it, how it fades, what it says of itself. */
export function BatteryView() {
  const { number = '' } = useParams();
  const battery = useBattery(number);
  return <Loaded query={battery}>{(data) => <Shown battery={data} />}</Loaded>;
}

function Shown({ battery }: { battery: Battery }) {
  const read = useReadPart(battery.number);
  return (
    <Page>
      <Head>
        <Above to={`/job/${battery.number}`}>
          ‹ {battery.number} {battery.machine}
        </Above>
        <SuspicionMark suspicion={suspicionOf(battery)} size={30} />
        <Title>{titleOf(battery)}</Title>
        <Button
          isDisabled={battery.canRead !== null}
          isPending={read.isPending}
          onPress={() => read.mutate({ partKey: 'battery' })}
        >
          {battery.readAt === null ? 'Read it' : 'Read it again'}
        </Button>
      </Head>
      {battery.unsafe !== null && <UnsafeBattery why={battery.unsafe} />}
      {read.isError && <ProblemNote error={read.error} />}
      <TwoColumns>
        <Stack>
          <Discharges battery={battery} />
          <FadeCard battery={battery} />
        </Stack>
        <Stack>
          <OwnAccount battery={battery} />
          <Charging battery={battery} />
        </Stack>
      </TwoColumns>
    </Page>
  );
}

/** The finding, not the type. */
export function titleOf(battery: Battery): string {
  if (battery.unsafe !== null) return 'This battery is unsafe: it is neither loaded nor charged';
  const second = worseSecond(battery);
  if (second !== null) {
    return `Its second pack says that it holds ${percent(second)} of what a new one does`;
  }
  const measured = measuredOf(battery);
  if (measured !== null) {
    return measured.health === null
      ? `${measured.ampereHours.toFixed(2)} Ah were in it`
      : `It holds ${percent(measured.health)} of what a new one does, measured`;
  }
  const own = battery.report?.health ?? null;
  if (own !== null) return `It says that it holds ${percent(own)} of what a new one does`;
  return battery.readAt === null
    ? 'Nobody has read this battery yet'
    : 'It does not tell how much it holds';
}

function suspicionOf(battery: Battery) {
  if (battery.unsafe !== null) return 'IMPLICATED' as const;
  const share = worseSecond(battery) ?? health(battery);
  if (share === null) return 'UNKNOWN' as const;
  return share < 0.5 ? 'IMPLICATED' : share < 0.8 ? 'LEANING' : 'LEANING_CLEAR';
}

/** "4.39 Ah", or that it is not told. */
const amount = (value: number | null, unit: string | null) =>
  value === null ? 'not reported' : `${value.toFixed(2)} ${unit ?? ''}`;

function OwnAccount({ battery }: { battery: Battery }) {
  const r = battery.report;
  const { second } = battery;
  return (
    <Sheet>
      <SheetHead>
        <Lead>Self-report</Lead>
        {battery.readAt !== null && (
          <Link to={`/reading/${battery.readingId ?? ''}`}>read {when(battery.readAt)}</Link>
        )}
      </SheetHead>
      {r === null ? (
        <Teach>
          {battery.canRead ?? 'Read it: design, last full charge and cycles then stand here.'}
        </Teach>
      ) : (
        <>
          <Facts>
            <dt>Pack</dt>
            <dd>
              {r.maker ?? 'maker not reported'} {r.model ?? ''}
              <br />
              <Mono>{r.serial ?? 'serial not reported'}</Mono>
              {battery.partId !== null && (
                <>
                  {' '}
                  <Link to={`/part/${battery.partId}`}>its history</Link>
                </>
              )}
            </dd>
            <dt>New</dt>
            <dd>{amount(r.design, r.unit)}</dd>
            <dt>When full</dt>
            <dd>
              {amount(r.full, r.unit)}
              {r.health !== null && `, ${percent(r.health)}`}
            </dd>
            <dt>Now in it</dt>
            <dd>
              {amount(r.left, r.unit)}
              {r.gauge !== null && `, ${percent(r.gauge)} by its gauge`}
            </dd>
            <dt>Cycles</dt>
            <dd>{r.cycles ?? 'not counted'}</dd>
            {r.state !== null && (
              <>
                <dt>State</dt>
                <dd>
                  {[r.state, ...r.flags.filter((f) => f !== 'fully charged')].join(', ')}
                  {r.minutesLeft !== null && `, ${String(r.minutesLeft)} min left by its reckoning`}
                </dd>
              </>
            )}
            {r.chargeLimit !== null && (
              <>
                <dt>Charged up to</dt>
                <dd>{percent(r.chargeLimit)}, a limit set in this machine</dd>
              </>
            )}
            <dt>Voltage</dt>
            <dd>{r.volts === null ? 'not reported' : `${r.volts.toFixed(2)} V`}</dd>
            <dt>Temperature</dt>
            <dd>{r.celsius === null ? 'not reported' : `${r.celsius.toFixed(0)} °C`}</dd>
            {r.made !== null && (
              <>
                <dt>Made</dt>
                <dd>{r.made}</dd>
              </>
            )}
            {battery.second !== null && (
              <>
                <dt>Second pack</dt>
                <dd>
                  {battery.second.model ?? 'model not reported'}{' '}
                  <Mono>{battery.second.serial ?? 'serial not reported'}</Mono>
                  <br />
                  {amount(battery.second.full, battery.second.unit)} of{' '}
                  {amount(battery.second.design, battery.second.unit)}
                  {battery.second.health !== null && `, ${percent(battery.second.health)}`}
                </dd>
              </>
            )}
            {battery.together !== null && (
              <>
                <dt>Both together</dt>
                <dd>
                  {amount(battery.together.full, battery.together.unit)} of{' '}
                  {amount(battery.together.design, battery.together.unit)}
                  {battery.together.health !== null && `, ${percent(battery.together.health)}`}
                </dd>
              </>
            )}
            <dt>To buy</dt>
            <dd>{worseSecond(battery) === null ? r.replacement : battery.second?.replacement}</dd>
          </Facts>
          {r.alarms.length > 0 && <Warn role="alert">It reports: {r.alarms.join(', ')}.</Warn>}
          {second !== null && second.alarms.length > 0 && (
            <Warn role="alert">The second pack reports: {second.alarms.join(', ')}.</Warn>
          )}
          {r.doubts.map((doubt) => (
            <Teach key={doubt}>Not believed: {doubt}.</Teach>
          ))}
          {second?.doubts.map((doubt) => (
            <Teach key={`second ${doubt}`}>Not believed of the second pack: {doubt}.</Teach>
          ))}
        </>
      )}
    </Sheet>
  );
}

const WATCH = [
  {
    kind: 'CHARGE',
    name: 'Watch it charge',
    about: 'Under 85 % full, adapter in: a quarter of an hour at rest, three minutes under load',
  },
] as const;

function chargeTitle(found: ChargeResult | null): string {
  if (found === null) return 'Charging';
  switch (found.verdict) {
    case 'normal':
      return 'It charges as it should';
    case 'low':
      return 'It charges slowly';
    case 'none':
      return 'It does not charge';
    default:
      return 'Too full, or of unknown size, to tell how it charges';
  }
}

/** Above the line it charges, below it the pack gives. */
function Charged({ found }: { found: ChargeResult }) {
  const points = found.points.map((p) => [(p[0] ?? 0) / 60, -(p[2] ?? 0)] as const);
  const minutes = Math.max(1, ...points.map(([m]) => m));
  const most = Math.max(0.5, ...points.map(([, a]) => Math.ceil(2 * a) / 2));
  const least = Math.min(0, ...points.map(([, a]) => Math.floor(2 * a) / 2));
  return (
    <Padded>
      <LineChart
        label={`Current into the pack, ${found.intoAmperes?.toFixed(2) ?? 'not heard'} A at rest`}
        lines={[{ name: 'current', points }]}
        x={[0, minutes]}
        y={[least, most]}
        xTicks={[
          [0, '0 min'],
          [minutes, `${Math.round(minutes)} min`],
        ]}
        yTicks={[...new Set([least, 0, most])].map((a) => [a, `${a.toFixed(1)} A`] as const)}
        height={110}
      />
      <p>
        {found.intoAmperes === null
          ? 'Not heard at rest'
          : `${found.intoAmperes.toFixed(2)} A into it at rest`}
        {found.helpsAmperes !== null &&
          (found.helpsAmperes > 0.1
            ? `; under load it had to help with ${found.helpsAmperes.toFixed(2)} A`
            : '; under load the adapter carries it alone')}
      </p>
    </Padded>
  );
}

function Charging({ battery }: { battery: Battery }) {
  const a = battery.adapter;
  const { running, ended } = useLatest(battery.charges);
  const last = ended[0] ?? null;
  const shown =
    resultOf(running, 'charge') !== null
      ? running
      : (ended.find((r) => resultOf(r, 'charge') !== null) ?? null);
  const found = resultOf(shown, 'charge');
  return (
    <Sheet>
      <SheetHead>
        <Lead>{chargeTitle(found)}</Lead>
      </SheetHead>
      {running !== null && <RunPanel run={running} job={battery.number} />}
      {found !== null && <Charged found={found} />}
      {last !== null && last.why !== null && resultOf(last, 'charge') === null && (
        <Teach>{last.why}.</Teach>
      )}
      {a === null ? (
        <Teach>No adapter tells anything of itself here.</Teach>
      ) : (
        <Facts>
          <dt>Adapter</dt>
          <dd>{a.type === '' ? 'kind not reported' : a.type}</dd>
          <dt>Plugged in</dt>
          <dd>{a.plugged === null ? 'not reported' : a.plugged ? 'yes' : 'no'}</dd>
          <dt>It may give</dt>
          <dd>
            {a.mostWatts === null
              ? 'not reported'
              : `${a.mostWatts.toFixed(0)} W, ${a.volts?.toFixed(1) ?? '?'} V, ${a.mostAmperes?.toFixed(2) ?? '?'} A`}
          </dd>
        </Facts>
      )}
      {running === null && (
        <StartPart
          job={battery.number}
          part="battery"
          starts={WATCH}
          lockedWhy={battery.unsafe ?? battery.canCharge}
        />
      )}
    </Sheet>
  );
}

const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  > h1 {
    flex: 1;
  }
`;

const Above = styled(Back)`
  flex-basis: 100%;
`;

const Facts = styled.dl`
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 6px 12px;
  padding: 0 16px 12px;
  overflow-wrap: anywhere;
  dt {
    color: ${color.ink2};
  }
`;

const Padded = styled.div`
  padding: 4px 16px 12px;
`;

const Warn = styled.p`
  margin: 0 16px 12px;
  padding: 8px 12px;
  border: 2px solid ${color.implicated};
`;
