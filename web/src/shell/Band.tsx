import { say, t } from '../words/words';
import { useEffect, useState } from 'react';
import { Button as AriaButton, VisuallyHidden } from 'react-aria-components';
import { Link, useLocation, useNavigate } from 'react-router';
import styled from 'styled-components';
import { useFloor } from '../api/queries';
import type { Bay, Here, Person } from '../api/types';
import { SuspicionMark } from '../marks/SuspicionMark';
import { color, radius, size, upTo } from '../theme/theme';
import { BayDialog } from './BayDialog';
import { Bell } from './Bell';
import { Find } from './Find';
import { isTyping } from './isTyping';
import { PersonMenu } from './PersonMenu';
import { useScan } from './useScan';

export interface BandProps {
  person: Person;
  /** Who else may come back to this screen with a PIN. */
  here: readonly Here[];
  /** Whether everything in it is made up. */
  isDemo: boolean;
}

/** The mat: the name, the bays, the person. Digits go to bays from anywhere. */
export function Band({ person, here, isDemo }: BandProps) {
  const floor = useFloor();
  const [openBay, setOpenBay] = useState<number | null>(null);
  const bays = floor.data?.bays ?? [];
  const goTo = useBayKeys(bays, setOpenBay);
  const { pathname } = useLocation();
  const [finding, setFinding] = useState<string | null>(null);
  useScan(setFinding);
  const tab = (to: string, name: string, isHere: boolean) => (
    <Tab to={to} aria-current={isHere ? 'page' : undefined}>
      {name}
    </Tab>
  );
  return (
    <Mat>
      <Name to="/">
        <SuspicionName viewBox="0 0 28 24" width="26" aria-hidden="true">
          <path d="M14 13l4.6 8H9.4z" fill={color.matMark} />
          <rect
            x="2"
            y="10.5"
            width="24"
            height="2.6"
            fill={color.actInk}
            transform="rotate(-14 14 12)"
          />
        </SuspicionName>
        <span>
          {say('web.shell.band.tekmerion', {
            value: isDemo && <small>{t('web.shell.band.demo-shop')}</small>,
          })}
        </span>
      </Name>
      <nav aria-label={t('web.shell.band.views')}>
        {tab('/', t('web.shell.band.floor'), pathname === '/')}
        {tab('/intake', t('web.shell.band.intake'), pathname.startsWith('/intake'))}
        {tab('/stock', t('web.shell.band.stock'), pathname === '/stock' || pathname === '/prices')}
        {tab(
          '/know-how',
          t('web.shell.band.know-how'),
          pathname === '/know-how' || pathname === '/makers',
        )}
        {person.role === 'LEAD' &&
          tab('/people', t('web.shell.band.people'), pathname === '/people')}
      </nav>
      <Bays
        aria-label={t('web.shell.band.bays')}
        data-tabs={person.role === 'LEAD' ? 4 : 3}
        data-many={bays.length > PLATES || undefined}
        data-rows={bays.length > ONE_ROW || undefined}
      >
        {bays.map((bay) => (
          <li key={bay.number}>
            <BayButton
              data-here={isHere(pathname, bay) || undefined}
              data-waits={bay.job?.acts === 'PERSON' || undefined}
              onPress={() => goTo(bay)}
            >
              <VisuallyHidden>{t('web.shell.band.bay')}</VisuallyHidden>
              <BayText>
                <span>
                  <kbd>{bay.number}</kbd> {bay.job?.number ?? t('web.shell.band.free')}
                </span>
                {bay.job !== null && <Line words={bay.job.line} share={bay.job.share} />}
              </BayText>
              {bay.job !== null && (
                <Plate>
                  <SuspicionMark suspicion={bay.job.suspicion} size={18} />
                </Plate>
              )}
              {bay.job?.share != null && <Done style={{ width: `${100 * bay.job.share}%` }} />}
            </BayButton>
          </li>
        ))}
      </Bays>
      <Who data-rows={bays.length > ONE_ROW || undefined}>
        <Find open={finding} onOpen={setFinding} />
        <Bell />
        <PersonMenu person={person} here={here} />
      </Who>
      {openBay !== null && (
        <BayDialog bay={openBay} probe={null} onClose={() => setOpenBay(null)} />
      )}
    </Mat>
  );
}

/** How far a run is stays whole where there is no room for all of its name. */
function Line({ words, share }: { words: string; share: number | null | undefined }) {
  if (share == null) return <small>{words}</small>;
  const [, name = words, percent = ''] = /^(.*?)( [0-9]+ %)?$/.exec(words) ?? [];
  return (
    <small title={words}>
      <span>{name}</span>
      {percent}
    </small>
  );
}

/** More bays than these have no room for a mark each; what waits for a person still has its frame. */
const PLATES = 6;

/** More than these have rows of their own. */
const ONE_ROW = 9;

const VIEWS = ['job', 'drive', 'memory', 'battery', 'work', 'isolate'];

/** Its job, its intake or decision, or one of its parts. */
function isHere(pathname: string, bay: Bay): boolean {
  const [, view, number] = pathname.split('/');
  return VIEWS.includes(view ?? '') && number === bay.job?.number;
}

/** Digits 1–9 jump to a bay unless something is being typed or a dialog is open. */
function useBayKeys(bays: readonly Bay[], openFree: (bay: number) => void) {
  const navigate = useNavigate();
  const goTo = (bay: Bay) => {
    if (bay.job === null) openFree(bay.number);
    else void navigate(`/job/${bay.job.number}`);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // In the conversation digits choose answers.
      if (isTyping(event) || window.location.pathname.startsWith('/intake/')) return;
      const bay = bays.find((b) => String(b.number) === event.key);
      if (bay === undefined) return;
      event.preventDefault();
      goTo(bay);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  });
  return goTo;
}

const Mat = styled.header`
  background-color: ${color.mat};
  background-image:
    linear-gradient(rgb(255 255 255 / 5%) 1px, transparent 1px),
    linear-gradient(90deg, rgb(255 255 255 / 5%) 1px, transparent 1px);
  background-size: 13px 13px;
  color: ${color.matInk};
  display: flex;
  align-items: center;
  gap: 6px 10px;
  flex-wrap: wrap;
  padding: 4px 14px;
  min-height: 54px;
`;

const Name = styled(Link)`
  display: flex;
  align-items: center;
  gap: 7px;
  font-size: ${size.head};
  font-weight: 700;
  color: ${color.actInk};
  text-decoration: none;
  line-height: 1.15;
  min-height: 44px;
  ${upTo.phone} {
    order: -2;
  }
  small {
    display: block;
    font-weight: 400;
    font-size: ${size.small};
    color: ${color.matInk};
  }
`;

const SuspicionName = styled.svg`
  display: block;
`;

const Tab = styled(Link)`
  display: inline-block;
  padding: 10px 11px;
  border-radius: ${radius};
  color: ${color.matInk};
  font-weight: 700;
  text-decoration: none;
  ${upTo.wide} {
    padding: 10px 7px;
  }
  &[aria-current] {
    background: ${color.sheet};
    color: ${color.ink};
  }
`;

const Bays = styled.ul`
  display: flex;
  gap: 5px;
  margin-left: auto;
  flex-wrap: wrap;
  /* Where their words do not fit beside the views they have a row of their own. */
  flex: 1 1 auto;
  min-width: 0;
  justify-content: flex-end;
  &[data-many] {
    gap: 3px;
    flex-wrap: nowrap;
  }
  &[data-many] > li {
    flex: 1 0 auto;
    max-width: 150px;
  }
  &[data-rows] {
    order: 2;
    flex: 1 0 100%;
    flex-wrap: wrap;
  }
  &[data-rows] > li {
    flex: 1 1 118px;
  }
  ${upTo.middle} {
    order: 2;
    flex: 1 0 100%;
    justify-content: flex-start;
    &[data-many] {
      flex-wrap: wrap;
    }
  }
  /* Bays in one row that is pushed along with a finger. */
  ${upTo.phone} {
    &,
    &[data-many],
    &[data-rows] {
      flex-wrap: nowrap;
      overflow-x: auto;
    }
    &[data-many] > li,
    &[data-rows] > li {
      flex: 0 0 104px;
    }
  }
  &[data-many] button {
    inline-size: 100%;
    block-size: 100%;
    padding: 3px 2px 3px 3px;
  }
`;

const BayButton = styled(AriaButton)`
  font: inherit;
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 46px;
  padding: 3px 6px;
  border: 1px solid ${color.matLine};
  border-radius: ${radius};
  background: rgb(255 255 255 / 6%);
  color: ${color.matInk};
  text-align: left;
  cursor: pointer;
  &[data-waits] {
    border-color: ${color.matWarn};
  }
  &[data-here] {
    background: ${color.sheet};
    color: ${color.ink};
  }
  kbd {
    font: inherit;
    font-weight: 700;
  }
  position: relative;
  overflow: hidden;
`;

const BayText = styled.span`
  min-width: 0;
  overflow: hidden;
  flex: 1;
  white-space: nowrap;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  font-size: ${size.small};
  line-height: 1.25;
  small {
    display: flex;
    white-space: pre;
    font-size: ${size.small};
  }
  small > span {
    flex: 1 1 7ch;
    width: 7ch;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
  }
`;

/** Where there is no room for it, number and line say enough. */
const Plate = styled.span`
  [data-many]:not([data-rows]) & {
    ${upTo.wide} {
      display: none;
    }
  }
  background: ${color.sheet};
  border-radius: ${radius};
  padding: 2px 3px;
  ${upTo.wide} {
    [data-tabs='4'] & {
      display: none;
    }
  }
`;

const Who = styled.div`
  ${upTo.phone} {
    order: -1;
    margin-left: auto;
  }
  &[data-rows] {
    margin-left: auto;
  }
  display: flex;
  align-items: center;
  gap: 5px;
`;

/** How far a run in this bay is; its words stand above. */
const Done = styled.i`
  position: absolute;
  left: 0;
  bottom: 0;
  height: 4px;
  background: ${color.matClear};
`;
