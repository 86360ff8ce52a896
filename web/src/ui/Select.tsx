import styled from 'styled-components';
import { color, radius } from '../theme/theme';

export interface SelectProps<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
  /** "hidden" where the row says it already; still read aloud. Default "above". */
  labelAt?: 'above' | 'beside' | 'hidden';
}

/** One of a few, from the browser's own list: keyboard and gloves know it. */
export function Select<T extends string>({
  label,
  value,
  options,
  onChange,
  labelAt = 'above',
}: SelectProps<T>) {
  return (
    <Labelled data-at={labelAt}>
      {labelAt !== 'hidden' && <span>{label}</span>}
      <select
        aria-label={labelAt === 'hidden' ? label : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
      >
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

const Labelled = styled.label`
  display: grid;
  gap: 6px;
  font-weight: 700;
  &[data-at='beside'] {
    display: flex;
    align-items: center;
    gap: 8px;
    font-weight: 400;
    color: ${color.ink2};
  }
  select {
    font: inherit;
    font-weight: 400;
    min-height: 44px;
    max-width: 260px;
    padding: 4px 8px;
    border: 1.5px solid ${color.ink3};
    border-radius: ${radius};
    background: ${color.sheet};
    color: ${color.ink};
  }
`;
