import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Field, type FieldProps } from '../Field';

export interface CheckedFieldProps<V extends FieldValues, O> extends Omit<
  FieldProps,
  'name' | 'value' | 'onChange' | 'error' | 'inputRef'
> {
  control: Control<V, unknown, O>;
  name: FieldPath<V>;
}

/** A text field of a checked form. */
export function CheckedField<V extends FieldValues, O>({
  control,
  name,
  ...props
}: CheckedFieldProps<V, O>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Field
      {...props}
      name={name}
      value={String(field.value ?? '')}
      onChange={field.onChange}
      onBlur={field.onBlur}
      inputRef={field.ref}
      error={fieldState.error?.message}
    />
  );
}
