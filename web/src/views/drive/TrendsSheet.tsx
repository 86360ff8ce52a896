import { t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { useDrive, useJob } from '../../api/queries';
import type { DriveData } from '../../api/types';
import { Select } from '../../ui/Select';
import { Lead, Sheet, SheetHead, Teach } from '../../ui/Sheet';
import { OutlookCard } from './OutlookCard';
import { TrendCard } from './TrendCard';

/** Its numbers over time, beside those of another drive of the job if that is wanted. */
export function TrendsSheet({ drive }: { drive: DriveData }) {
  const job = useJob(drive.job);
  const others = (job.data?.drives ?? []).filter((d) => d.key !== drive.partKey && d.readingId);
  const [other, setOther] = useState('');
  const compared = useDrive(drive.job, other).data;
  const name = others.find((d) => d.key === other)?.name;
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.drive.drive-view.where-it-is-heading')}</Lead>
        <small>{t('web.drive.drive-view.robust-slope-with-its-95-band')}</small>
      </SheetHead>
      {others.length > 0 && drive.trends.length > 0 && (
        <Beside>
          <Select
            label={t('web.drive.trends-sheet.beside-it')}
            labelAt="beside"
            value={other}
            onChange={setOther}
            options={[
              ['', t('web.drive.trends-sheet.no-other-drive')],
              ...others.map((d) => [d.key, d.name] as const),
            ]}
          />
        </Beside>
      )}
      {drive.trends.length === 0 && (
        <Teach>{t('web.drive.drive-view.it-has-told-no-numbers-yet')}</Teach>
      )}
      {drive.trends.map((trend) => {
        const beside = compared?.trends.find((its) => its.key === trend.key);
        return (
          <TrendCard
            key={trend.key}
            trend={trend}
            {...(beside === undefined || name === undefined
              ? {}
              : { beside: { name, trend: beside } })}
          />
        );
      })}
      <OutlookCard drive={drive} />
    </Sheet>
  );
}

const Beside = styled.div`
  padding: 0 14px 10px;
`;
