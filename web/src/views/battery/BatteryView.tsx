import { say, t } from '../../words/words';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useBattery, useReadPart } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { Battery, ChargeResult } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Back, Stack, TwoColumns } from '../../ui/Layout';
import { when, fixed } from '../../ui/format';
import { Plot } from '../../ui/plot/Plot';
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

const orUnknown = (n: number | null, digits: number) => (n === null ? '?' : fixed(n, digits));

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
          {battery.readAt === null
            ? t('web.battery.battery-view.read-it')
            : t('web.battery.battery-view.read-it-again')}
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
  if (battery.unsafe !== null) return t('web.battery.battery-view.this-battery-is-unsafe-it-is');
  const second = worseSecond(battery);
  if (second !== null) {
    return t('web.battery.battery-view.its-second-pack-says-that-it', { percent: percent(second) });
  }
  const measured = measuredOf(battery);
  if (measured !== null) {
    return measured.health === null
      ? t('web.battery.battery-view.ah-were-in-it', {
          ampereHours: fixed(measured.ampereHours, 2),
        })
      : t('web.battery.battery-view.it-holds-of-what-a-new', { percent: percent(measured.health) });
  }
  const own = battery.report?.health ?? null;
  if (own !== null)
    return t('web.battery.battery-view.it-says-that-it-holds-of', { percent: percent(own) });
  return battery.readAt === null
    ? t('web.battery.battery-view.nobody-has-read-this-battery-yet')
    : t('web.battery.battery-view.it-does-not-tell-how-much');
}

function suspicionOf(battery: Battery) {
  if (battery.unsafe !== null) return 'IMPLICATED' as const;
  const share = worseSecond(battery) ?? health(battery);
  if (share === null) return 'UNKNOWN' as const;
  return share < 0.5 ? 'IMPLICATED' : share < 0.8 ? 'LEANING' : 'LEANING_CLEAR';
}

/** "4.39 Ah", or that it is not told. */
const amount = (value: number | null, unit: string | null) =>
  value === null ? t('web.battery.battery-view.not-reported') : `${fixed(value, 2)} ${unit ?? ''}`;

function OwnAccount({ battery }: { battery: Battery }) {
  const r = battery.report;
  const { second } = battery;
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.battery.battery-view.self-report')}</Lead>
        {battery.readAt !== null && (
          <Link to={`/reading/${battery.readingId ?? ''}`}>
            {t('web.battery.battery-view.read', { when: when(battery.readAt) })}
          </Link>
        )}
      </SheetHead>
      {r === null ? (
        <Teach>
          {battery.canRead ?? t('web.battery.battery-view.read-it-design-last-full-charge')}
        </Teach>
      ) : (
        <>
          <Facts>
            <dt>{t('web.battery.battery-view.pack')}</dt>
            <dd>
              {r.maker ?? t('web.battery.battery-view.maker-not-reported')} {r.model ?? ''}
              <br />
              <Mono>{r.serial ?? t('web.battery.battery-view.serial-not-reported')}</Mono>
              {battery.partId !== null && (
                <>
                  {' '}
                  <Link to={`/part/${battery.partId}`}>
                    {t('web.battery.battery-view.its-history')}
                  </Link>
                </>
              )}
            </dd>
            <dt>{t('web.battery.battery-view.new')}</dt>
            <dd>{amount(r.design, r.unit)}</dd>
            <dt>{t('web.battery.battery-view.when-full')}</dt>
            <dd>
              {amount(r.full, r.unit)}
              {r.health !== null && `, ${percent(r.health)}`}
            </dd>
            <dt>{t('web.battery.battery-view.now-in-it')}</dt>
            <dd>
              {amount(r.left, r.unit)}
              {r.gauge !== null &&
                t('web.battery.battery-view.by-its-gauge', { percent: percent(r.gauge) })}
            </dd>
            <dt>{t('web.battery.battery-view.cycles')}</dt>
            <dd>{r.cycles ?? t('web.battery.battery-view.not-counted')}</dd>
            {r.state !== null && (
              <>
                <dt>{t('web.battery.battery-view.state')}</dt>
                <dd>
                  {[
                    r.state,
                    ...r.flags.filter((f) => f !== t('web.battery.battery-view.fully-charged')),
                  ].join(', ')}
                  {r.minutesLeft !== null &&
                    t('web.battery.battery-view.min-left-by-its-reckoning', {
                      minutesLeft: String(r.minutesLeft),
                    })}
                </dd>
              </>
            )}
            {r.chargeLimit !== null && (
              <>
                <dt>{t('web.battery.battery-view.charged-up-to')}</dt>
                <dd>
                  {t('web.battery.battery-view.a-limit-set-in-this-machine', {
                    percent: percent(r.chargeLimit),
                  })}
                </dd>
              </>
            )}
            <dt>{t('web.battery.battery-view.voltage')}</dt>
            <dd>
              {r.volts === null
                ? t('web.battery.battery-view.not-reported')
                : `${fixed(r.volts, 2)} V`}
            </dd>
            <dt>{t('web.battery.battery-view.temperature')}</dt>
            <dd>
              {r.celsius === null
                ? t('web.battery.battery-view.not-reported')
                : `${fixed(r.celsius, 0)} °C`}
            </dd>
            {r.made !== null && (
              <>
                <dt>{t('web.battery.battery-view.made')}</dt>
                <dd>{r.made}</dd>
              </>
            )}
            {battery.second !== null && (
              <>
                <dt>{t('web.battery.battery-view.second-pack')}</dt>
                <dd>
                  {say('web.battery.battery-view.of', {
                    model: battery.second.model ?? t('web.battery.battery-view.model-not-reported'),
                    mono: (
                      <Mono>
                        {battery.second.serial ?? t('web.battery.battery-view.serial-not-reported')}
                      </Mono>
                    ),
                    br: <br />,
                    amount: amount(battery.second.full, battery.second.unit),
                    amount2: amount(battery.second.design, battery.second.unit),
                    value: battery.second.health !== null && `, ${percent(battery.second.health)}`,
                  })}
                </dd>
              </>
            )}
            {battery.together !== null && (
              <>
                <dt>{t('web.battery.battery-view.both-together')}</dt>
                <dd>
                  {say('web.battery.battery-view.of-2', {
                    amount: amount(battery.together.full, battery.together.unit),
                    amount2: amount(battery.together.design, battery.together.unit),
                    value:
                      battery.together.health !== null && `, ${percent(battery.together.health)}`,
                  })}
                </dd>
              </>
            )}
            <dt>{t('web.battery.battery-view.to-buy')}</dt>
            <dd>{worseSecond(battery) === null ? r.replacement : battery.second?.replacement}</dd>
          </Facts>
          {r.alarms.length > 0 && (
            <Warn role="alert">
              {t('web.battery.battery-view.it-reports', { alarms: r.alarms.join(', ') })}
            </Warn>
          )}
          {second !== null && second.alarms.length > 0 && (
            <Warn role="alert">
              {t('web.battery.battery-view.the-second-pack-reports', {
                alarms: second.alarms.join(', '),
              })}
            </Warn>
          )}
          {r.doubts.map((doubt) => (
            <Teach key={doubt}>{t('web.battery.battery-view.not-believed', { doubt })}</Teach>
          ))}
          {second?.doubts.map((doubt) => (
            <Teach key={t('web.battery.battery-view.second', { doubt })}>
              {t('web.battery.battery-view.not-believed-of-the-second-pack', { doubt })}
            </Teach>
          ))}
        </>
      )}
    </Sheet>
  );
}

const WATCH = [
  {
    kind: 'CHARGE',
    name: t('web.battery.battery-view.watch-it-charge'),
    about: t('web.battery.battery-view.under-85-full-adapter-in-a'),
  },
] as const;

function chargeTitle(found: ChargeResult | null): string {
  if (found === null) return t('web.battery.battery-view.charging');
  switch (found.verdict) {
    case 'normal':
      return t('web.battery.battery-view.it-charges-as-it-should');
    case 'low':
      return t('web.battery.battery-view.it-charges-slowly');
    case 'none':
      return t('web.battery.battery-view.it-does-not-charge');
    default:
      return t('web.battery.battery-view.too-full-or-of-unknown-size');
  }
}

/** Above the line it charges, below it the pack gives. */
function Charged({ found }: { found: ChargeResult }) {
  const points = found.points.map((p) => [(p[0] ?? 0) / 60, -(p[2] ?? 0)] as const);
  return (
    <Padded>
      <Plot
        label={t('web.battery.battery-view.current-into-the-pack-a-at', {
          intoAmperes:
            found.intoAmperes === null
              ? t('web.battery.battery-view.not-heard')
              : fixed(found.intoAmperes, 2),
        })}
        data={{
          title: t('web.battery.battery-view.current'),
          x: { kind: 'number', name: t('web.ui.plot.time'), unit: 'min', from: 0 },
          y: { unit: 'A', digits: 2 },
          series: [{ name: t('web.battery.battery-view.current'), points }],
          limits: [{ value: 0, words: '' }],
        }}
        height={150}
      />
      <p>
        {found.intoAmperes === null
          ? t('web.battery.battery-view.not-heard-at-rest')
          : t('web.battery.battery-view.a-into-it-at-rest', {
              intoAmperes: fixed(found.intoAmperes, 2),
            })}
        {found.helpsAmperes !== null &&
          (found.helpsAmperes > 0.1
            ? t('web.battery.battery-view.under-load-it-had-to-help', {
                fixed: fixed(found.helpsAmperes, 2),
              })
            : t('web.battery.battery-view.under-load-the-adapter-carries-it'))}
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
        <Teach>{t('web.battery.battery-view.no-adapter-tells-anything-of-itself')}</Teach>
      ) : (
        <Facts>
          <dt>{t('web.battery.battery-view.adapter')}</dt>
          <dd>{a.type === '' ? t('web.battery.battery-view.kind-not-reported') : a.type}</dd>
          <dt>{t('web.battery.battery-view.plugged-in')}</dt>
          <dd>
            {a.plugged === null
              ? t('web.battery.battery-view.not-reported')
              : a.plugged
                ? t('web.battery.battery-view.yes')
                : t('web.battery.battery-view.no')}
          </dd>
          <dt>{t('web.battery.battery-view.it-may-give')}</dt>
          <dd>
            {a.mostWatts === null
              ? t('web.battery.battery-view.not-reported')
              : `${fixed(a.mostWatts, 0)} W, ${orUnknown(a.volts, 1)} V, ${orUnknown(a.mostAmperes, 2)} A`}
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
