import { t } from '../../words/words';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Job } from '../../api/types';
import { BootStageLadder } from '../../marks/BootStageLadder';
import { BayDialog } from '../../shell/BayDialog';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Mono, Sub, Title } from '../../ui/Sheet';
import { DataCard } from './DataCard';
import { Hand } from './Hand';

/** Whose machine, what it does, how far it gets, what may become of its data. */
export function JobHead({ job }: { job: Job }) {
  return (
    <Head>
      <div>
        <Line>
          <Title as="h2">{job.machine}</Title>
          <Mono>{job.number}</Mono>
          <Link to={`/customer/${job.customerId}`}>{job.customer}</Link>
          {job.bay !== null && <BayLink bay={job.bay} />}
          <Hand job={job} />
        </Line>
        <Sub>
          “{job.complaint}”
          {job.errorText !== null &&
            ` ${t('web.job.job-head.the-screen-says', { errorText: job.errorText })}`}
        </Sub>
      </div>
      <BootStageLadder levels={job.bootStages} bootStage={job.bootStage} />
      <DataCard job={job} />
    </Head>
  );
}

function BayLink({ bay }: { bay: NonNullable<Job['bay']> }) {
  const [open, setOpen] = useState(false);
  const link =
    bay.probe === null
      ? t('web.job.job-head.no-probe')
      : bay.probe.online
        ? t('web.job.job-head.probe-on')
        : t('web.job.job-head.probe-off');
  return (
    <>
      <Small onPress={() => setOpen(true)}>
        {t('web.job.job-head.bay', { number: bay.number, link })}
      </Small>
      {open && <BayDialog bay={bay.number} probe={bay.probe} onClose={() => setOpen(false)} />}
    </>
  );
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 22px;
  & > :first-child {
    flex: 1 1 600px;
  }
`;

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  color: ${color.ink2};
  h2 {
    color: ${color.ink};
  }
`;

const Small = styled(Button)`
  font-weight: 400;
  font-size: ${size.text};
  padding: 4px 12px;
  border-color: ${color.line};
`;
