import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Select, type SelectProps } from '../Select';

export interface CheckedSelectProps<T extends string, V extends FieldValues, O> extends Omit<
  SelectProps<T>,
  'value' | 'onChange' | 'error' | 'buttonRef'
> {
  control: Control<V, unknown, O>;
  name: FieldPath<V>;
}

/** One of a few, in a checked form. */
export function CheckedSelect<T extends string, V extends FieldValues, O>({
  control,
  name,
  ...props
}: CheckedSelectProps<T, V, O>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Select
      {...props}
      value={field.value as T}
      onChange={field.onChange}
      buttonRef={field.ref}
      error={fieldState.error?.message}
    />
  );
}
