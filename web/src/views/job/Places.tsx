import { t } from '../../words/words';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { CauseShare, Job } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, size } from '../../theme/theme';
import { RowButton } from '../../ui/RowButton';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

export interface PlacesProps {
  job: Job;
  chosen: CauseShare | undefined;
  onChoose: (place: string) => void;
}

/** Where a place has views of its own with their tests. */
const INSTRUMENTS: Record<string, readonly { to: (job: string) => string; words: string }[]> = {
  memory: [
    { to: (job) => `/memory/${job}`, words: t('web.job.places.memory-test-isolate-by-swapping') },
  ],
  power: [{ to: (job) => `/battery/${job}`, words: t('web.job.places.its-battery') }],
  link: [
    {
      to: (job) => `/isolate/${job}/outside`,
      words: t('web.job.places.isolate-what-is-plugged-in'),
    },
  ],
  system: [
    { to: (job) => `/work/${job}`, words: t('web.job.places.what-keeps-it-busy') },
    { to: (job) => `/isolate/${job}/start-up`, words: t('web.job.places.isolate-start-up-items') },
  ],
};

/** The machine in the order in which it is checked; drives with what they are. */
export function Places({ job, chosen, onChoose }: PlacesProps) {
  // A place that no cause stands for can be opened too.
  const [opened, setOpened] = useState<string | null>(null);
  const here = opened ?? chosen?.place;
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.job.places.machine-in-checking-order')}</Lead>
      </SheetHead>
      <ul>
        {job.places.map((place) => (
          <li key={place.id}>
            <Row
              data-here={here === place.id || undefined}
              aria-expanded={here === place.id}
              onPress={() => {
                setOpened(place.id);
                onChoose(place.id);
              }}
            >
              <SuspicionMark suspicion={place.suspicion} size={24} />
              <span>
                <b>{place.name}</b>
                <small>{place.note}</small>
              </span>
            </Row>
            {place.id === 'drive' && <Drives job={job} isOpen={here === place.id} />}
            {here === place.id &&
              !job.looseDrive &&
              INSTRUMENTS[place.id]?.map((instrument) => (
                <Below key={instrument.words}>
                  <Link to={instrument.to(job.number)}>{instrument.words}</Link>
                </Below>
              ))}
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

function Drives({ job, isOpen }: { job: Job; isOpen: boolean }) {
  if (job.drives.length === 0) {
    return <Teach>{t('web.job.places.no-drive-has-answered-yet-read')}</Teach>;
  }
  return (
    <ul>
      {job.drives.map((drive) => (
        <Drive key={drive.key}>
          <SuspicionMark suspicion={drive.suspicion} size={20} />
          <span>
            <Link to={`/drive/${job.number}/${drive.key}`}>
              <b>{drive.name}</b>
            </Link>
            , {drive.description}
            <small>{drive.identity}</small>
            {drive.metBefore !== null && <MetBefore>{drive.metBefore}</MetBefore>}
            {isOpen && (
              <Links>
                <Link to={`/part/${drive.partId}`}>{t('web.job.places.its-history')}</Link>
                <Link to={`/rescue/${job.number}/${drive.key}`}>
                  {t('web.job.places.its-data')}
                </Link>
                {drive.readingId !== null && (
                  <Link to={`/reading/${drive.readingId}`}>
                    {t('web.job.places.see-the-reading')}
                  </Link>
                )}
              </Links>
            )}
          </span>
        </Drive>
      ))}
    </ul>
  );
}

const Row = styled(RowButton)`
  grid-template-columns: 28px 1fr;
  gap: 10px;
  align-items: start;
  padding: 5px 14px;
  min-height: 44px;
  & > span {
    min-width: 0;
    line-height: 1.3;
  }
`;

const Below = styled.div`
  padding: 0 14px 0 52px;
  font-size: ${size.text};
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
`;

const Drive = styled.li`
  display: grid;
  grid-template-columns: 22px 1fr;
  gap: 10px;
  padding: 2px 14px 4px 34px;
  font-size: ${size.text};
  overflow-wrap: anywhere;
  small {
    display: block;
    font:
      13px 'JetBrains Mono Variable',
      monospace;
    color: ${color.ink2};
  }
  a {
    display: inline-block;
    padding: 8px 0;
  }
`;

const Links = styled.span`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
`;

const MetBefore = styled.small`
  && {
    color: ${color.clear};
    font-weight: 700;
  }
`;

const Teach = styled.p`
  padding: 4px 14px 12px 34px;
  font-size: ${size.text};
  color: ${color.ink2};
`;
