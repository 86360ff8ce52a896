import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useForm, type DefaultValues } from 'react-hook-form';
import type { GenericSchema, InferInput, InferOutput } from 'valibot';

/**
 * A form whose fields are checked by a schema. It can always be sent: what does not hold is then
 * said at its field, and the first of these gets the focus. From then on a field is checked as it is
 * typed.
 *
 * @param schema its messages are whole sentences; what it gives back is what is sent
 */
export function useChecked<
  S extends GenericSchema<Record<string, unknown>, Record<string, unknown>>,
>(schema: S, values: InferInput<S>) {
  return useForm<InferInput<S>, unknown, InferOutput<S>>({
    resolver: standardSchemaResolver(schema),
    defaultValues: values as DefaultValues<InferInput<S>>,
    mode: 'onSubmit',
  });
}
