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
  NOT_ASKED: 'not asked yet',
  WANTED: 'wanted',
  NOT_WANTED: 'not wanted, signed',
  COPIED: 'copied',
  COPY_VERIFIED: 'copy verified',
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
        label="Whose"
        value={filter.whose}
        onChange={(whose) => onFilter({ ...filter, whose })}
        options={[
          ['all', 'everybody’s'],
          ['mine', 'mine'],
          ['nobody', 'nobody’s'],
          ...people.map((name) => [name, name] as const),
        ]}
      />
      <Select
        labelAt="beside"
        label="Complaint"
        value={filter.family}
        onChange={(family) => onFilter({ ...filter, family })}
        options={[['all', 'any'], ...families.map((f) => [f.id, f.name] as const)]}
      />
      <Select
        labelAt="beside"
        label="Data"
        value={filter.dataStatus}
        onChange={(dataStatus) => onFilter({ ...filter, dataStatus })}
        options={[
          ['all', 'any'],
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
