import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import styled from 'styled-components';
import { Tick } from '../Tick';

interface CheckedTicksProps<V extends FieldValues, O> {
  control: Control<V, unknown, O>;
  /** Of a list of ids. */
  name: FieldPath<V>;
  label: string;
  options: readonly { id: string; name: string }[];
}

/** Any of several, in a checked form. */
export function CheckedTicks<V extends FieldValues, O>({
  control,
  name,
  label,
  options,
}: CheckedTicksProps<V, O>) {
  const { field } = useController({ control, name });
  const ticked = field.value as readonly string[];
  return (
    <Group>
      <legend>{label}</legend>
      {options.map((option) => (
        <Tick
          key={option.id}
          isSelected={ticked.includes(option.id)}
          onChange={(isTicked) =>
            field.onChange(
              isTicked ? [...ticked, option.id] : ticked.filter((id) => id !== option.id),
            )
          }
        >
          {option.name}
        </Tick>
      ))}
    </Group>
  );
}

const Group = styled.fieldset`
  border: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  legend {
    font-weight: 700;
    padding: 0;
  }
`;
