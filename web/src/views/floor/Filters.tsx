import { t } from '../../words/words';
import { useQuery } from '@tanstack/react-query';
import styled from 'styled-components';
import { api, told } from '../../api/client';
import type { Floor } from '../../api/types';
import { Row } from '../../ui/Layout';
import { Select } from '../../ui/Select';
import type { Filter } from './lanes';

interface FiltersProps {
  floor: Floor;
  filter: Filter;
  onFilter: (filter: Filter) => void;
}

const DATA_STATUSES: Record<string, string> = {
  NOT_ASKED: t('web.floor.filters.not-asked-yet'),
  WANTED: t('web.floor.filters.wanted'),
  NOT_WANTED: t('web.floor.filters.not-wanted-signed'),
  COPIED: t('web.floor.filters.copied'),
  COPY_VERIFIED: t('web.floor.filters.copy-verified'),
};

/** Whose jobs, with what complaint, whose data stands how. */
export function Filters({ floor, filter, onFilter }: FiltersProps) {
  const script = useQuery({
    queryKey: ['script'],
    queryFn: () => told(api.GET('/api/questions')),
    staleTime: Infinity,
  });
  const people = [...new Set(floor.jobs.flatMap((j) => (j.holder === null ? [] : [j.holder])))];
  const families = (script.data?.families ?? []).filter((f) =>
    floor.jobs.some((job) => job.families.includes(f.id)),
  );
  const statusEntries = Object.keys(DATA_STATUSES).filter((s) =>
    floor.jobs.some((job) => job.dataStatus === s),
  );
  return (
    <Filtering>
      <Select
        labelAt="beside"
        label={t('web.floor.filters.whose')}
        value={filter.whose}
        onChange={(whose) => onFilter({ ...filter, whose })}
        options={[
          ['all', t('web.floor.filters.everybody-s')],
          ['mine', t('web.floor.filters.mine')],
          ['nobody', t('web.floor.filters.nobody-s')],
          ...people.map((name) => [name, name] as const),
        ]}
      />
      <Select
        labelAt="beside"
        label={t('web.floor.filters.complaint')}
        value={filter.family}
        onChange={(family) => onFilter({ ...filter, family })}
        options={[
          ['all', t('web.floor.filters.any')],
          ...families.map((f) => [f.id, f.name] as const),
        ]}
      />
      <Select
        labelAt="beside"
        label={t('web.floor.filters.data')}
        value={filter.dataStatus}
        onChange={(dataStatus) => onFilter({ ...filter, dataStatus })}
        options={[
          ['all', t('web.floor.filters.any')],
          ...statusEntries.map((id) => [id, DATA_STATUSES[id] ?? id] as const),
        ]}
      />
    </Filtering>
  );
}

const Filtering = styled(Row)`
  gap: 8px 18px;
  padding-bottom: 10px;
`;
